import { View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';

/** Text of a picture that needs more days. */
export function ShortRecord({ title, recordDays }: { title: string; recordDays: number }) {
  return (
    <View role="group" aria-label={title} style={{ gap: SPACE.xs }}>
      <Words type="card" heading={2}>
        {title}
      </Words>
      <Words type="quiet" tone="quiet">
        Needs two weeks of record; so far there {recordDays === 1 ? 'is' : 'are'} {counted(recordDays, 'day')}.
      </Words>
    </View>
  );
}
