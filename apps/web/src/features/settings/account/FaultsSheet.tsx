import { counted } from '../../../text/format.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { OpenedFile } from '../import/fileReader.ts';

export function FaultsSheet({
  name,
  file: { issues, issueCount },
  onClose,
}: {
  name: string;
  file: Extract<OpenedFile, { issueCount: number }>;
  onClose: () => void;
}) {
  return (
    <Sheet title="This file cannot be brought in" onClose={onClose}>
      <Words>{`${name} has ${counted(issueCount, 'fault')}. Nothing was changed.`}</Words>
      {issues.map(({ path, message }, index) => (
        <Words key={index} type="quiet" tone="quiet">
          {[path.slice(0, 80), message.slice(0, 160)].filter(Boolean).join(' ')}
        </Words>
      ))}
      {issueCount > issues.length ? (
        <Words type="quiet" tone="quiet">{`and ${issueCount - issues.length} more`}</Words>
      ) : null}
      <Button onPress={onClose}>Close</Button>
    </Sheet>
  );
}
