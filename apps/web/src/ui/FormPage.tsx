import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { type ReactNode } from 'react';
import { View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from './Button.tsx';
import { Page } from './Frame.tsx';
import { IconButton } from './IconButton.tsx';
import { Words } from './Words.tsx';

type Props = {
  title: string;
  saveLabel: string;
  onSave: () => void;
  /** Another way to save, beside the one. */
  also?: { label: string; onPress: () => void };
  onBack: () => void;
  fault: string | null;
  children: ReactNode;
};

/** A page to fill in: its title with the way back, the fields, what is wrong as a whole, and the one button. */
export function FormPage({ title, saveLabel, onSave, also, onBack, fault, children }: Props) {
  const styles = useStyles();
  return (
    <Page>
      <View style={styles.head}>
        <IconButton icon={ArrowLeft} label="Back" onPress={onBack} />
        <Words type="title" heading={1} style={styles.title}>
          {title}
        </Words>
      </View>
      <View style={styles.form}>
        {children}
        {fault !== null ? (
          <View role="alert">
            <Words tone="madder">{fault}</Words>
          </View>
        ) : null}
        <View style={styles.buttons}>
          <Button kind="main" onPress={onSave}>
            {saveLabel}
          </Button>
          {also ? <Button onPress={also.onPress}>{also.label}</Button> : null}
          <Button kind="bare" onPress={onBack}>
            Cancel
          </Button>
        </View>
      </View>
    </Page>
  );
}

/** Fields that belong together; side by side where there is room. */
export function FieldRow({ children }: { children: ReactNode }) {
  const styles = useStyles();
  return <View style={styles.row}>{children}</View>;
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', marginLeft: -SPACE.m },
  title: { flex: 1 },
  form: { gap: SPACE.xl, maxWidth: 640, width: '100%' },
  row: { flexDirection: 'row', gap: SPACE.m, flexWrap: 'wrap' },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
