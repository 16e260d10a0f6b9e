import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

/** A sheet to fill in: the fields, what is wrong as a whole, and its buttons. */
export function SheetForm({
  title,
  saveLabel = 'Save',
  onSave,
  onClose,
  fault,
  more,
  children,
}: {
  title: string;
  saveLabel?: string;
  onSave: () => void;
  onClose: () => void;
  fault: string | null;
  /** Another thing to do here, such as taking away. */
  more?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Sheet title={title} onClose={onClose}>
      {children}
      {fault === null ? null : (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={onSave}>
          {saveLabel}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {more}
      </View>
    </Sheet>
  );
}
