/** What the router and its helpers use of React Native on the web: the rest, such as animated lists, stays out. */
export { default as AppRegistry } from 'react-native-web/dist/exports/AppRegistry';
export { default as Appearance } from 'react-native-web/dist/exports/Appearance';
export { default as BackHandler } from 'react-native-web/dist/exports/BackHandler';
export { default as Dimensions } from 'react-native-web/dist/exports/Dimensions';
export { default as I18nManager } from 'react-native-web/dist/exports/I18nManager';
export { default as Keyboard } from 'react-native-web/dist/exports/Keyboard';
export { default as Linking } from 'react-native-web/dist/exports/Linking';
export { default as Platform } from 'react-native-web/dist/exports/Platform';
export { default as StyleSheet } from 'react-native-web/dist/exports/StyleSheet';
export { default as Text } from 'react-native-web/dist/exports/Text';
export { default as View } from 'react-native-web/dist/exports/View';
export { default as useColorScheme } from 'react-native-web/dist/exports/useColorScheme';
