/** Screens that slide over each other are native: on the web a place shows what its slot holds. */
export const createNativeStackNavigator = () => ({ Navigator: null });
