import type { ReactNode } from 'react';
import { type StyleProp, Text, type TextProps, type TextStyle } from 'react-native';
import { useTheme } from '../theme/Theme.tsx';
import type { Palette } from '../theme/colors.ts';
import { TYPE, type TypeName } from '../theme/type.ts';

type Tone = 'ink' | 'quiet' | 'working' | 'deep' | 'brassText' | 'madder' | 'onWorking';

type Props = Pick<TextProps, 'numberOfLines' | 'nativeID' | 'accessibilityLiveRegion' | 'id'> & {
  children: ReactNode;
  type?: TypeName;
  tone?: Tone;
  /** 1 is the page's title; leave out for plain words. */
  heading?: 1 | 2 | 3;
  style?: StyleProp<TextStyle>;
  label?: string;
};

/** Words in one of the sizes and tones there are. */
export function Words({ children, type = 'body', tone = 'ink', heading, style, label, ...rest }: Props) {
  const { colors } = useTheme();
  const role = heading === undefined ? {} : { role: 'heading' as const, 'aria-level': heading };
  return (
    <Text
      {...rest}
      {...role}
      {...(label === undefined ? {} : { 'aria-label': label })}
      style={[TYPE[type], { color: colors[tone as keyof Palette] as string }, style]}
    >
      {children}
    </Text>
  );
}
