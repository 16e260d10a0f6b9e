import { type Reward } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ListOrdered from 'lucide-react-native/icons/list-ordered';
import Plus from 'lucide-react-native/icons/plus';
import Scale from 'lucide-react-native/icons/scale';
import { useState } from 'react';
import { View } from 'react-native';
import { PATHS } from '../../platform/paths.ts';
import { selectRewards } from '../../store/pipsSelectors.ts';
import { selectSettings } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { pipsNameOf } from '../../text/pipsText.ts';
import { PromisedCard } from './PromisedCard.tsx';
import { RetiredCard, RewardSheet } from './RewardSheet.tsx';
import { RibbonsCard } from './RibbonsCard.tsx';
import { BalanceCard } from './BalanceCard.tsx';
import { RewardsCard } from './RewardsCard.tsx';

/** What was earned and is left, what it is enough for, and what was promised. */
export function RewardsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const rewards = useAppSelector(selectRewards);
  const [edited, setEdited] = useState<Reward | 'new' | null>(null);
  const { many } = pipsNameOf(useAppSelector(selectSettings));
  const left = (
    <>
      <BalanceCard />
      <RewardsCard onEdit={setEdited} />
      <RetiredCard />
    </>
  );
  const right = (
    <>
      <RibbonsCard />
      <PromisedCard />
    </>
  );
  return (
    <Page>
      <View style={styles.head}>
        <Words type="title" heading={1} style={styles.title}>
          Rewards
        </Words>
        <IconButton icon={Plus} name="Add a reward" label="Add a reward" onPress={() => setEdited('new')} />
        <IconButton
          icon={Scale}
          name={`What earns ${many}`}
          label={`What earns ${many}`}
          onPress={() => router.push(PATHS.pipsTable)}
        />
        <IconButton
          icon={ListOrdered}
          name="Earned and spent"
          label="Earned and spent"
          onPress={() => router.push(PATHS.ledger)}
        />
      </View>
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.broad}>{left}</View>
          <View style={styles.narrow}>{right}</View>
        </View>
      ) : (
        <>
          {left}
          {right}
        </>
      )}
      {edited === null ? null : (
        <RewardSheet
          reward={edited === 'new' ? null : edited}
          order={Math.max(-1, ...Object.values(rewards).map(({ order }) => order)) + 1}
          onClose={() => setEdited(null)}
        />
      )}
    </Page>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  title: { flex: 1, minWidth: 120 },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 5, minWidth: 0, gap: SPACE.l },
  narrow: { flex: 4, minWidth: 0, gap: SPACE.l },
}));
