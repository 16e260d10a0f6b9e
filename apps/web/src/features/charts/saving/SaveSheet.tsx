import type { SpanReview } from '@wimbel/core';
import { useRouter } from 'expo-router';
import FileText from 'lucide-react-native/icons/file-text';
import Printer from 'lucide-react-native/icons/printer';
import { download } from '../../../platform/download.ts';
import { useAppSelector } from '../../../store/store.ts';
import { type Action, ActionList } from '../../../ui/ActionList.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { useExportName } from '../../../components/account/useExportName.ts';
import { reviewCsv } from './reviewCsv.ts';

/** All figures of the charts as a file; a month or a year on a sheet of paper. */
export function SaveSheet({
  review,
  title,
  printAddress,
  onClose,
}: {
  review: SpanReview;
  title: string;
  /** Where it can be printed from; null where it cannot. */
  printAddress: string | null;
  onClose: () => void;
}) {
  const toast = useToast();
  const router = useRouter();
  const habits = useAppSelector((state) => state.records.habits);
  const areas = useAppSelector((state) => state.records.areas);
  const nameOf = useExportName();
  const saveCsv = (): void => {
    const name = nameOf('csv', title, 'figures');
    const csv = reviewCsv(review, {
      habitOf: (id) => habits[id]?.name ?? '',
      areaOf: (id) => areas[id ?? '']?.name ?? '',
    });
    download(name, new Blob([`\uFEFF${csv}`], { type: 'text/csv' }));
    toast({ text: `Saved as ${name}` });
    onClose();
  };
  const actions: Action[] = [
    {
      label: 'All figures, as CSV',
      hint: 'Every habit, area, part and weekday of this span. Each picture has its own under its three dots.',
      icon: FileText,
      onPress: saveCsv,
    },
    ...(printAddress === null
      ? []
      : [
          {
            label: 'Print on one page',
            hint: 'A sheet of A4 with the days, the parts, the areas and the habits.',
            icon: Printer,
            onPress: () => {
              onClose();
              router.push(printAddress);
            },
          },
        ]),
  ];
  return (
    <Sheet title="Save or print" onClose={onClose}>
      <ActionList actions={actions} />
    </Sheet>
  );
}
