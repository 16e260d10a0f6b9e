import { type LineStep, stepsOfText } from '@wimbel/exchange';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useRef, useState } from 'react';
import { TextInput, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { TYPE } from '../../theme/type.ts';
import { IconButton } from '../../ui/IconButton.tsx';
import { domRef } from '../../ui/domRef.ts';

const LONGEST = 300;

/**
 * A line to write the next thing in: Enter adds it, and the line is ready for another. A pasted list of several lines goes
 * to `onList`.
 */
export function AddLine({
  label,
  placeholder,
  onAdd,
  onList,
}: {
  label: string;
  placeholder: string;
  onAdd: (title: string) => void;
  onList: (steps: LineStep[]) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [title, setTitle] = useState('');
  const input = useRef<HTMLInputElement | null>(null);
  const listed = useRef(onList);
  useEffect(() => {
    listed.current = onList;
  });
  useEffect(() => {
    const node = input.current;
    const paste = (event: ClipboardEvent): void => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (!text.trim().includes('\n')) return;
      event.preventDefault();
      listed.current(stepsOfText(text).map((each) => ({ ...each, title: each.title.slice(0, LONGEST) })));
    };
    node?.addEventListener('paste', paste);
    return () => node?.removeEventListener('paste', paste);
  }, []);
  const add = (): void => {
    if (title.trim() === '') return;
    onAdd(title.trim());
    setTitle('');
  };
  return (
    <View dataSet={{ field: '' }} style={styles.line}>
      <IconButton icon={Plus} label="Add it" sizePx={20} onPress={add} />
      <TextInput
        ref={domRef(input)}
        aria-label={label}
        value={title}
        onChangeText={setTitle}
        onSubmitEditing={add}
        blurOnSubmit={false}
        placeholder={placeholder}
        placeholderTextColor={colors.quiet}
        maxLength={LONGEST}
        style={[TYPE.body, styles.input, { color: colors.ink }]}
      />
    </View>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.xs, paddingRight: SPACE.m, minHeight: 52 },
  input: { flex: 1, minWidth: 0, minHeight: TOUCH_PX, outlineWidth: 0 },
}));
