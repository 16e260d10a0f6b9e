import { View } from 'react-native';
import { AccountSection } from '../../components/account/AccountSection.tsx';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Page } from '../../ui/Frame.tsx';
import { Words } from '../../ui/Words.tsx';
import { PATHS } from '../../platform/paths.ts';
import { ListsCard, SettingsLink } from './ListsCard.tsx';
import { DaysCard } from './DaysCard.tsx';
import { DayMarksCard } from './DayMarksCard.tsx';
import { ShownCard } from './ShownCard.tsx';
import { MoneyCard } from './MoneyCard.tsx';
import { SettingsSection } from './SettingsSection.tsx';

export function SettingsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const left = (
    <>
      <ListsCard />
      <DaysCard />
    </>
  );
  const right = (
    <>
      <DayMarksCard />
      <ShownCard />
      <MoneyCard />
      <SettingsSection title="Account">
        <SettingsLink path={PATHS.account} name="Account and data" aside="password, copies, devices" />
        <AccountSection />
      </SettingsSection>
    </>
  );
  return (
    <Page>
      <Words type="title" heading={1}>
        Settings
      </Words>
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>{left}</View>
          <View style={styles.column}>{right}</View>
        </View>
      ) : (
        <>
          {left}
          {right}
        </>
      )}
    </Page>
  );
}

const useStyles = themed(() => ({
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 1, gap: SPACE.l, minWidth: 0 },
}));
