import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useTheme } from '../theme/Theme.tsx';
import { Words } from './Words.tsx';

type Props = { value: string; max?: string; label: string; text: string; onChange: (value: string) => void };

/**
 * A date in words; choosing another goes through the browser's own calendar, and is taken at once. One that is typed is
 * taken with Enter, or when it is left.
 */
export function DateButton({ value, max, label, text, onChange }: Props) {
  const { colors } = useTheme();
  const [typed, setTyped] = useState<string | null>(null);
  const isTyping = useRef(false);
  const take = (): void => {
    isTyping.current = false;
    setTyped(null);
    if (typed) onChange(typed);
  };
  return (
    <View dataSet={{ date: '' }} style={{ alignSelf: 'center', minHeight: 44, justifyContent: 'center' }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <Words tone="quiet" style={{ fontSize: 16 }}>
          {text}
        </Words>
        <ChevronDown size={16} color={colors.quiet} />
      </View>
      <input
        type="date"
        aria-label={label}
        value={typed ?? value}
        max={max}
        onChange={({ target }) => {
          if (isTyping.current) setTyped(target.value);
          else if (target.value) onChange(target.value);
        }}
        onKeyDown={({ key }) => {
          if (key === 'Enter') take();
          else if (key === 'Escape') setTyped(null);
          else if (key !== 'Tab') isTyping.current = true;
        }}
        onBlur={take}
        onClick={(event) => {
          isTyping.current = false;
          event.currentTarget.showPicker?.();
        }}
        style={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          opacity: 0,
          cursor: 'pointer',
          border: 0,
        }}
      />
    </View>
  );
}
