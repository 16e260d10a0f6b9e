/** What the app uses of the router, without the navigators that it does not use. */
export { Slot } from 'expo-router/build/views/Navigator';
export { Redirect } from 'expo-router/build/link/Redirect';
export { useLocalSearchParams, usePathname, useRouter } from 'expo-router/build/hooks';
