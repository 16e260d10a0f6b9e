import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { View } from 'react-native';
import { useTheme } from '../theme/Theme.tsx';
import { Words } from './Words.tsx';

type Props = { value: string; max?: string; label: string; text: string; onChange: (value: string) => void };

/** A date in words; choosing another goes through the browser's own calendar. */
export function DateButton({ value, max, label, text, onChange }: Props) {
  const { colors } = useTheme();
  return (
    <View
      {...({ dataSet: { date: '' } } as object)}
      style={{ alignSelf: 'center', minHeight: 44, justifyContent: 'center' }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <Words tone="quiet" style={{ fontSize: 16 }}>
          {text}
        </Words>
        <ChevronDown size={16} color={colors.quiet} />
      </View>
      <input
        type="date"
        aria-label={label}
        value={value}
        max={max}
        onChange={(event) => event.target.value && onChange(event.target.value)}
        onClick={(event) => event.currentTarget.showPicker?.()}
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
