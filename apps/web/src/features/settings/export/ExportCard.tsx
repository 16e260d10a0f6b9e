import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { row } from './TakingButtons.tsx';
import { WorkbookSheet } from './WorkbookSheet.tsx';
import { StorySheet } from './StorySheet.tsx';
import { TableSheet } from './TableSheet.tsx';
import { CalendarSheet } from './CalendarSheet.tsx';

/** Exports: tables, a workbook with formulas, text, a calendar. */
export function TakeOutCard() {
  const [open, setOpen] = useState<'workbook' | 'tables' | 'story' | 'calendar' | null>(null);
  const close = (): void => setOpen(null);
  return (
    <SectionCard title="For other programs">
      <Words tone="quiet">
        Your record as a workbook that goes on figuring (XLSX), parts of it as tables (CSV), goals and reviews as text
        (Markdown), or as days in your calendar.
      </Words>
      <View style={row}>
        <Button onPress={() => setOpen('workbook')}>As a workbook</Button>
        <Button onPress={() => setOpen('tables')}>As a table</Button>
        <Button onPress={() => setOpen('story')}>As text</Button>
        <Button onPress={() => setOpen('calendar')}>For a calendar</Button>
      </View>
      {open === 'workbook' ? <WorkbookSheet onClose={close} /> : null}
      {open === 'story' ? <StorySheet onClose={close} /> : null}
      {open === 'tables' ? <TableSheet onClose={close} /> : null}
      {open === 'calendar' ? <CalendarSheet onClose={close} /> : null}
    </SectionCard>
  );
}
