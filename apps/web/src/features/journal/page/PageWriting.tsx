import Pencil from 'lucide-react-native/icons/pencil';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { NoteField } from '../../../components/entry/NoteField.tsx';
import { WrittenText } from '../../../components/journal/WrittenText.tsx';
import { themed } from '../../../theme/Theme.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { TEXT_CURSOR } from '../../../theme/webStyle.ts';

/** Writing that is read as it was laid out until it is touched, and then changed where it stands. */
export function PageWriting({
  label,
  text,
  maxLength,
  onChange,
  onOther,
}: {
  label: string;
  text: string;
  maxLength: number;
  onChange: (text: string) => void;
  /** Something else was written there, on another device, while this was being typed. */
  onOther?: (text: string) => void;
}) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(text === '');
  const [isBegun, setIsBegun] = useState(false);
  if (isOpen) {
    return (
      <NoteField
        label={label}
        note={text}
        maxLength={maxLength}
        autoFocus={isBegun}
        isTelling
        isGrowing
        onChange={onChange}
        {...(onOther === undefined ? {} : { onOther })}
      />
    );
  }
  const open = (): void => {
    setIsBegun(true);
    setIsOpen(true);
  };
  return (
    <View style={styles.written}>
      <View style={styles.head}>
        <Words type="label" tone="quiet" style={styles.label}>
          {label}
        </Words>
        <IconButton icon={Pencil} label={`Write on: ${label}`} sizePx={16} onPress={open} />
      </View>
      <Pressable tabIndex={-1} onPress={open} style={styles.text}>
        <WrittenText text={text} />
      </Pressable>
    </View>
  );
}

const useStyles = themed(() => ({
  written: { gap: 0 },
  head: { flexDirection: 'row', alignItems: 'center', marginVertical: -6 },
  label: { flex: 1 },
  text: { cursor: TEXT_CURSOR },
}));
