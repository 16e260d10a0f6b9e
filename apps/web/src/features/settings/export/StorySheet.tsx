import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from './useExport.ts';
import { TakingButtons } from './TakingButtons.tsx';

export function StorySheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const nameOf = useExportName();
  const { share, take, stop } = useExport(onClose);
  return (
    <Sheet title="Take out text" onClose={onClose}>
      <Words tone="quiet">
        All goals with their key results, steps and story, and what you wrote when looking back. The journal has a way
        of its own: Journal, All pages, To take along.
      </Words>
      <TakingButtons
        share={share}
        onStop={stop}
        onTake={() =>
          void take({ kind: 'story', today }, nameOf('md', 'goals and reviews'), 'text/markdown', [
            'goal or review',
            'goals and reviews',
          ])
        }
      />
    </Sheet>
  );
}
