import { useTheme } from '../theme/Theme.tsx';
import { HABIT_ICONS, REWARD_ICONS } from './habitIcons.ts';
import { Words } from './Words.tsx';

/** A habit's or reward's icon beside its name: one of ours by name, or whatever sign the record carries. */
export function HabitIcon({ name, sizePx = 16, color }: { name: string; sizePx?: number; color?: string }) {
  const { colors } = useTheme();
  const known = HABIT_ICONS[name] ?? REWARD_ICONS[name];
  if (known === undefined) return <Words style={{ fontSize: sizePx - 1 }}>{name.slice(0, 4)}</Words>;
  return <known.icon size={sizePx} color={color ?? colors.quiet} strokeWidth={1.9} />;
}
