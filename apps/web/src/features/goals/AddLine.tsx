import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { TYPE } from '../../theme/type.ts';
import { IconButton } from '../../ui/IconButton.tsx';

/** A line to write the next thing in: Enter adds it, and the line is ready for another. */
export function AddLine({
  label,
  placeholder,
  onAdd,
}: {
  label: string;
  placeholder: string;
  onAdd: (title: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [title, setTitle] = useState('');
  const add = (): void => {
    if (title.trim() === '') return;
    onAdd(title.trim());
    setTitle('');
  };
  return (
    <View {...({ dataSet: { field: '' } } as object)} style={styles.line}>
      <IconButton icon={Plus} label="Add it" sizePx={20} onPress={add} />
      <TextInput
        aria-label={label}
        value={title}
        onChangeText={setTitle}
        onSubmitEditing={add}
        submitBehavior="submit"
        placeholder={placeholder}
        placeholderTextColor={colors.quiet}
        maxLength={300}
        style={[TYPE.body, styles.input, { color: colors.ink }]}
      />
    </View>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.xs, paddingRight: SPACE.m, minHeight: 52 },
  input: { flex: 1, minWidth: 0, minHeight: TOUCH_PX, outlineWidth: 0 as never },
}));
