import { partText, wholeText } from '@wimbel/core';
import { type ReactNode, useId } from 'react';
import { TextInput, type TextInputProps, View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { TYPE } from '../theme/type.ts';
import { TextsBeside } from './TextsBeside.tsx';
import { Words } from './Words.tsx';
import { domRef } from './domRef.ts';

type Props = Omit<TextInputProps, 'style' | 'onChange'> & {
  label: string;
  /** What is wrong, in plain words; shown beside the field. */
  error?: string | undefined;
  hint?: string;
  /** A unit shown behind the number. */
  suffix?: string;
  isDate?: boolean;
  /** A longer name for those who hear it, where the label goes by what stands around it. */
  spoken?: string;
  /** Leaves the label to those who hear it, where the eye needs none. */
  isLabelHidden?: boolean;
  /** Whether lines to write in are as tall as what is written. */
  isGrowing?: boolean;
  /** Takes hold of the input, to give it the focus. */
  inputRef?: React.Ref<HTMLInputElement>;
};

/** A line to write in, with its label above and its error below. */
export function Field({
  label,
  error,
  hint,
  suffix,
  isDate = false,
  isLabelHidden = false,
  isGrowing = false,
  spoken = label,
  inputRef,
  ...input
}: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const id = useId();
  const whole = input.value ?? '';
  const { text, others } = partText(whole);
  return (
    <Labelled label={isLabelHidden ? null : label} error={error} hint={hint} id={id}>
      <View
        dataSet={{ field: '' }}
        style={[styles.box, input.multiline && styles.tall, error !== undefined && styles.wrong]}
      >
        {isDate ? (
          <DateInput
            {...input}
            inputRef={inputRef}
            label={label}
            describedBy={(error ?? hint) ? id : undefined}
            isWrong={error !== undefined}
          />
        ) : (
          <TextInput
            {...input}
            {...(others.length === 0
              ? {}
              : {
                  value: text,
                  onChangeText: (typed: string) => input.onChangeText?.(wholeText({ text: typed, others })),
                })}
            ref={domRef(inputRef)}
            aria-label={spoken}
            aria-invalid={error !== undefined}
            aria-describedby={error !== undefined || hint !== undefined ? id : undefined}
            placeholderTextColor={colors.quiet}
            style={[
              TYPE.body,
              styles.input,
              input.multiline && styles.area,
              isGrowing && styles.growing,
              { color: colors.ink },
            ]}
          />
        )}
        {suffix ? <Words tone="quiet">{suffix}</Words> : null}
      </View>
      {others.length === 0 ? null : (
        <TextsBeside of={spoken} text={whole} onChange={(settled) => input.onChangeText?.(settled)} />
      )}
    </Labelled>
  );
}

/** A day, written as this device writes days and chosen from its own calendar; `value` is YYYY-MM-DD, or empty. */
function DateInput({
  label,
  value,
  onChangeText,
  onBlur,
  autoFocus,
  describedBy,
  isWrong,
  inputRef,
}: Pick<Props, 'label' | 'value' | 'onChangeText' | 'onBlur' | 'autoFocus' | 'inputRef'> & {
  describedBy: string | undefined;
  isWrong: boolean;
}) {
  const { colors } = useTheme();
  return (
    <input
      type="date"
      ref={inputRef}
      aria-label={label}
      aria-invalid={isWrong}
      aria-describedby={describedBy}
      autoFocus={autoFocus}
      min="0001-01-01"
      max="9999-12-31"
      value={value}
      onChange={(event) => onChangeText?.(event.target.value)}
      onBlur={() => onBlur?.({} as never)}
      style={{
        flex: 1,
        minWidth: 0,
        minHeight: TOUCH_PX,
        padding: 0,
        border: 0,
        outline: 'none',
        background: 'transparent',
        color: colors.ink,
        colorScheme: 'var(--scheme)',
        fontFamily: TYPE.body.fontFamily,
        fontSize: TYPE.body.fontSize,
      }}
    />
  );
}

/** A label above anything that is filled in, with its hint or error below. */
export function Labelled({
  label,
  error,
  hint,
  id,
  children,
}: {
  /** None where the eye needs none. */
  label: string | null;
  error?: string;
  hint?: string;
  id?: string;
  children: ReactNode;
}) {
  const styles = useStyles();
  return (
    <View style={styles.labelled}>
      {label === null ? null : (
        <Words type="label" tone="quiet">
          {label}
        </Words>
      )}
      {children}
      {error !== undefined ? (
        <View role="alert">
          <Words type="quiet" tone="madder" nativeID={id}>
            {error}
          </Words>
        </View>
      ) : hint !== undefined ? (
        <Words type="quiet" tone="quiet" nativeID={id}>
          {hint}
        </Words>
      ) : null}
    </View>
  );
}

const useStyles = themed((colors) => ({
  labelled: { gap: SPACE.xs, alignSelf: 'stretch' },
  box: {
    minHeight: TOUCH_PX + 2,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.m,
    backgroundColor: colors.raised,
    borderRadius: CORNER.field,
    borderWidth: 1,
    borderColor: colors.rim,
  },
  wrong: { borderColor: colors.madder, borderWidth: 2 },
  tall: { minHeight: 84, alignItems: 'stretch', paddingVertical: SPACE.s },
  input: { flex: 1, minHeight: TOUCH_PX, minWidth: 0 },
  area: { minHeight: 64, lineHeight: 21 },
  growing: { fieldSizing: 'content', maxHeight: '70vh' as '70%' },
}));
