import { useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Pressable } from 'react-native';
import { selectAreas, selectHabits } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { counted } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { PATHS } from '../../platform/paths.ts';
import { SettingsSection } from './SettingsSection.tsx';

export function ListsCard() {
  const habits = useAppSelector(selectHabits);
  const areas = useAppSelector(selectAreas);
  const away = habits.filter((habit) => habit.archived).length;
  return (
    <SettingsSection title="Habits and areas">
      <SettingsLink
        path={PATHS.habitsInOrder}
        name="Habits in order"
        aside={`${counted(habits.length - away, 'habit')}${away > 0 ? `, ${away} archived` : ''}`}
      />
      <SettingsLink path={PATHS.areas} name="Areas" aside={counted(areas.length, 'area')} />
    </SettingsSection>
  );
}

export function SettingsLink({ path, name, aside }: { path: string; name: string; aside: string }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  return (
    <Pressable
      href={path}
      role="link"
      aria-label={name}
      onPress={(event) => {
        event.preventDefault();
        router.push(path);
      }}
      style={styles.way}
    >
      <Words type="name" style={styles.wayName}>
        {name}
      </Words>
      <Words type="quiet" tone="quiet">
        {aside}
      </Words>
      <ChevronRight size={18} color={colors.quiet} />
    </Pressable>
  );
}

const useStyles = themed(() => ({
  way: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: TOUCH_PX },
  wayName: { flex: 1 },
}));
