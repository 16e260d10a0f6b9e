import type { SpanReview } from '@wimbel/core';
import FileText from 'lucide-react-native/icons/file-text';
import ImageDown from 'lucide-react-native/icons/image-down';
import { useMemo } from 'react';
import { type PictureHead, download, downloadPng, downloadSvg, pictureOf } from '../../charts/savePicture.ts';
import { useAppSelector } from '../../records/store.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { type Action, ActionList } from '../../ui/ActionList.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { reviewCsv } from './reviewCsv.ts';

/** A name for a file: "wimbel-november-2026-every-day". */
export const fileName = (...words: string[]): string =>
  ['wimbel', ...words]
    .join('-')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** The figures of the charts as a file, and each of their pictures. */
export function SaveSheet({ review, title, onClose }: { review: SpanReview; title: string; onClose: () => void }) {
  const { colors } = useTheme();
  const toast = useToast();
  const habits = useAppSelector((state) => state.records.habits);
  const areas = useAppSelector((state) => state.records.areas);
  const pictures = useMemo(() => [...document.querySelectorAll('[data-picture]')], []);
  const saved = (name: string): void => {
    toast({ text: `Saved as ${name}` });
    onClose();
  };
  const saveCsv = (): void => {
    const name = fileName(title, 'figures');
    const csv = reviewCsv(review, {
      habitOf: (id) => habits[id]?.name ?? '',
      areaOf: (id) => areas[id ?? '']?.name ?? '',
    });
    download(`${name}.csv`, new Blob([`\uFEFF${csv}`], { type: 'text/csv' }));
    saved(`${name}.csv`);
  };
  const save = (element: Element, kind: 'svg' | 'png') => (): void => {
    const what = element.getAttribute('data-picture')!;
    const head: PictureHead = { title: what, span: title, paper: colors.raised, ink: colors.ink, quiet: colors.quiet };
    const picture = pictureOf(element, head);
    const name = fileName(title, what);
    if (picture === null) return;
    if (kind === 'svg') {
      downloadSvg(name, picture);
      saved(`${name}.svg`);
    } else {
      downloadPng(name, picture).then(
        () => saved(`${name}.png`),
        () => toast({ text: 'This device cannot draw it. The SVG can be saved.' }),
      );
    }
  };
  const actions: Action[] = [
    {
      label: 'The figures, as CSV',
      hint: 'Every habit, area, part and weekday of this span.',
      icon: FileText,
      onPress: saveCsv,
    },
    ...pictures.flatMap((element): Action[] => {
      const what = element.getAttribute('data-picture')!;
      return [
        { label: `${what}, as SVG`, hint: 'Stays sharp at any size.', icon: ImageDown, onPress: save(element, 'svg') },
        { label: `${what}, as PNG`, icon: ImageDown, onPress: save(element, 'png') },
      ];
    }),
  ];
  return (
    <Sheet title="Save" onClose={onClose}>
      <ActionList actions={actions} />
    </Sheet>
  );
}
