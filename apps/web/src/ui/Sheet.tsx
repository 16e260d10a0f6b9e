import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { themed, useIsWide } from '../theme/Theme.tsx';
import { useEscape } from './useEscape.ts';
import { useReturnFocus } from './useReturnFocus.ts';
import { CORNER, SPACE } from '../theme/space.ts';
import { IconButton } from './IconButton.tsx';
import { Words } from './Words.tsx';

type Props = { title: string; onClose: () => void; children: ReactNode };

/** A sheet over the page: from below on a phone, in the middle on a wide screen. Escape and a tap beside it close it. */
export function Sheet({ title, onClose, children }: Props) {
  const styles = useStyles();
  const isWide = useIsWide();
  useReturnFocus();
  useEscape(onClose);
  return (
    // Its own motion: the modal's would leave the sheet deaf to Escape and without a role until it is over.
    <Modal transparent visible animationType="none" onRequestClose={onClose} aria-label={title}>
      <View style={[styles.veil, isWide && styles.veilWide]}>
        <Pressable style={styles.beside} onPress={onClose} aria-hidden tabIndex={-1} />
        <View dataSet={{ sheet: '' }} style={[styles.sheet, isWide && styles.sheetWide]}>
          <View style={styles.head}>
            <Words type="section" heading={2} style={styles.title} numberOfLines={2}>
              {title}
            </Words>
            <IconButton icon={X} label="Close" onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}

const useStyles = themed((colors) => ({
  veil: { flex: 1, justifyContent: 'flex-end', backgroundColor: 'rgba(29, 23, 19, 0.45)' },
  veilWide: { justifyContent: 'center', alignItems: 'center' },
  beside: { position: 'absolute', top: 0, left: 0, right: 0, bottom: 0 },
  sheet: {
    maxHeight: '88%',
    backgroundColor: colors.paper,
    borderTopLeftRadius: CORNER.card,
    borderTopRightRadius: CORNER.card,
    borderWidth: 1,
    borderColor: colors.line,
  },
  sheetWide: { width: 460, borderRadius: CORNER.card },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: SPACE.l,
    paddingRight: SPACE.xs,
    paddingTop: SPACE.s,
  },
  title: { flex: 1 },
  body: { padding: SPACE.l, paddingTop: SPACE.s, gap: SPACE.l },
}));
