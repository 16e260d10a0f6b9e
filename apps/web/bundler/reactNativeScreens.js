/** Replaces `react-native-screens`, whose screens are native: the router only sets its flags. */
export const featureFlags = { experiment: {} };
