import 'react-native';
import type { CSSProperties, KeyboardEvent, FocusEvent } from 'react';

/** DOM props that React Native for the web accepts and the types of React Native lack. */
interface WebProps {
  /** Rendered as `data-*` attributes. */
  dataSet?: Readonly<Record<string, string>>;
  /** Renders the element as a link. */
  href?: string;
  hrefAttrs?: Readonly<{ target?: string; rel?: string }>;
  onKeyDown?: ((event: KeyboardEvent) => void) | undefined;
  onKeyDownCapture?: ((event: KeyboardEvent) => void) | undefined;
  onFocus?: ((event: FocusEvent) => void) | undefined;
  tabIndex?: 0 | -1;
  'aria-pressed'?: boolean;
}

/** CSS properties that React Native for the web accepts and the types of React Native lack. */
type WebStyle = Pick<
  CSSProperties,
  | 'contain'
  | 'containIntrinsicHeight'
  | 'contentVisibility'
  | 'outlineWidth'
  | 'overflowWrap'
  | 'overflowX'
  | 'overflowY'
  | 'touchAction'
  | 'transitionDuration'
  | 'transitionProperty'
  | 'userSelect'
  | 'whiteSpace'
> & { fieldSizing?: 'content' };

declare module 'react-native' {
  // Interface merging: the types of React Native gain the members of WebProps.
  /* eslint-disable @typescript-eslint/no-empty-object-type */
  interface ViewProps extends WebProps {}
  interface TextProps extends WebProps {}
  interface ViewStyle extends WebStyle {}
  interface TextStyle extends Omit<WebStyle, 'userSelect'> {}
}
