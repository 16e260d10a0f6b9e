import { createElement } from 'react';
import View from 'react-native-web/dist/exports/View';

/** The page keeps clear of a device's edges by its styles; nothing has to be measured before it is drawn. */
const Whole = ({ children, style }) => createElement(View, { style: [{ flex: 1 }, style] }, children);

export const SafeAreaProvider = Whole;
export const SafeAreaView = Whole;
