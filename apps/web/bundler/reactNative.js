/** What the router and its helpers use of React Native on the web: the rest, such as animated lists, stays out. */
export {
  AppRegistry,
  Appearance,
  BackHandler,
  Dimensions,
  I18nManager,
  Keyboard,
  Linking,
  Platform,
  StyleSheet,
  Text,
  View,
  useColorScheme,
} from 'react-native';
