import { View } from 'react-native';
import { percent } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';

export const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

export function TakingButtons({
  share,
  onTake,
  onStop,
  isOff = false,
}: {
  share: number | null;
  onTake: () => void;
  onStop: () => void;
  isOff?: boolean;
}) {
  return (
    <View style={row}>
      <Button kind="main" onPress={onTake} isBusy={share !== null} isDisabled={isOff}>
        {share === null ? 'Download' : `Gathering, ${percent(share)}`}
      </Button>
      {share === null ? null : (
        <Button kind="bare" onPress={onStop}>
          Stop
        </Button>
      )}
    </View>
  );
}
