import { download } from '../../../platform/download.ts';
import EllipsisVertical from 'lucide-react-native/icons/ellipsis-vertical';
import FileText from 'lucide-react-native/icons/file-text';
import ImageDown from 'lucide-react-native/icons/image-down';
import ListOrdered from 'lucide-react-native/icons/list-ordered';
import { type ReactNode, createContext, useContext, useRef, useState } from 'react';
import { View } from 'react-native';
import { type PictureRow, downloadPng, downloadSvg, pictureOf, pictureOfRows } from '../../../charts/savePicture.ts';
import { useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { type Action, ActionList } from '../../../ui/ActionList.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { type Figures, FiguresTable } from '../../../charts/FiguresTable.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { figuresCsv } from '../saving/figuresCsv.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';

/** What the charts are of, in words: it stands above every picture that is saved. */
export const ChartsTitle = createContext('');

type Props = {
  title: string;
  aside?: ReactNode;
  /** The figure of the text beside a title. */
  asideAsked?: FigureQuery | null;
  /** The figures behind the picture, put together when they are asked for: as a table, or as CSV. */
  figures: () => Figures;
  /** What its lines and marks mean, for the picture that is saved; what is drawn as a legend is in it already. */
  legend?: readonly string[];
  /** A list: the picture's figures where nothing is drawn. */
  pictureRows?: readonly PictureRow[];
  children: ReactNode;
};

/** A picture with its title, and the ways to its figures: as a table, as CSV, as SVG, as PNG. */
export function ChartCard({ title, aside, asideAsked = null, figures, legend, pictureRows, children }: Props) {
  const { colors } = useTheme();
  const isWide = useIsWide();
  const toast = useToast();
  const span = useContext(ChartsTitle);
  const isPrinted = useContext(IsPrinted);
  const body = useRef<View>(null);
  const [isOpen, setIsOpen] = useState(false);
  const [hasTable, setHasTable] = useState(false);
  const nameOf = useExportName();
  const saved = (file: string): void => toast({ text: `Saved as ${file}` });
  const savePicture = (kind: 'svg' | 'png'): void => {
    setIsOpen(false);
    const { raised: paper, ink, quiet } = colors;
    const head = { title, span, legend, paper, ink, quiet };
    const picture = pictureRows
      ? pictureOfRows(pictureRows, { ...head, track: colors.hole })
      : pictureOf(body.current as unknown as Element, head);
    const file = nameOf(kind, span, title);
    if (picture === null) toast({ text: 'There is no picture to save here. The figures can be saved.' });
    else if (kind === 'svg') {
      downloadSvg(file, picture);
      saved(file);
    } else {
      downloadPng(file, picture).then(
        () => saved(file),
        () => toast({ text: 'This device cannot draw it. The SVG can be saved.' }),
      );
    }
  };
  const actions: Action[] = [
    {
      label: hasTable ? 'Hide the table' : 'Its figures as a table',
      icon: ListOrdered,
      onPress: () => {
        setIsOpen(false);
        setHasTable(!hasTable);
      },
    },
    {
      label: 'Save its figures, as CSV',
      icon: FileText,
      onPress: () => {
        setIsOpen(false);
        const file = nameOf('csv', span, title, 'figures');
        download(file, new Blob([`\uFEFF${figuresCsv(figures())}`], { type: 'text/csv' }));
        saved(file);
      },
    },
    { label: 'Save as SVG', hint: 'Stays sharp at any size.', icon: ImageDown, onPress: () => savePicture('svg') },
    { label: 'Save as PNG', icon: ImageDown, onPress: () => savePicture('png') },
  ];
  return (
    <Card style={{ gap: SPACE.m }} label={title}>
      <CardHead
        title={title}
        aside={
          typeof aside === 'string' && asideAsked !== null ? <FigureWords asked={asideAsked} words={aside} /> : aside
        }
        isAsideWords={typeof aside === 'string' && aside !== '' && asideAsked !== null}
        isNarrow={!isWide || isPrinted}
        more={
          isPrinted ? undefined : (
            <IconButton icon={EllipsisVertical} label={`More of ${title}`} onPress={() => setIsOpen(true)} />
          )
        }
      />
      <View ref={body} style={{ gap: SPACE.m }}>
        {children}
      </View>
      {hasTable ? (
        <>
          <FiguresTable label={`Figures of ${title}`} figures={figures()} />
          <Button kind="bare" onPress={() => setHasTable(false)} style={{ alignSelf: 'flex-start' }}>
            Hide the table
          </Button>
        </>
      ) : null}
      {isOpen ? (
        <Sheet title={title} onClose={() => setIsOpen(false)}>
          <ActionList actions={actions} />
        </Sheet>
      ) : null}
    </Card>
  );
}
