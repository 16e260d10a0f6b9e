import Armchair from 'lucide-react-native/icons/armchair';
import Anchor from 'lucide-react-native/icons/anchor';
import Bath from 'lucide-react-native/icons/bath';
import Bird from 'lucide-react-native/icons/bird';
import BookOpen from 'lucide-react-native/icons/book-open';
import Brush from 'lucide-react-native/icons/brush';
import Cable from 'lucide-react-native/icons/cable';
import CakeSlice from 'lucide-react-native/icons/cake-slice';
import Coffee from 'lucide-react-native/icons/coffee';
import Dumbbell from 'lucide-react-native/icons/dumbbell';
import Footprints from 'lucide-react-native/icons/footprints';
import Gift from 'lucide-react-native/icons/gift';
import Guitar from 'lucide-react-native/icons/guitar';
import Hammer from 'lucide-react-native/icons/hammer';
import Hand from 'lucide-react-native/icons/hand';
import Heart from 'lucide-react-native/icons/heart';
import Languages from 'lucide-react-native/icons/languages';
import Leaf from 'lucide-react-native/icons/leaf';
import Moon from 'lucide-react-native/icons/moon';
import Music from 'lucide-react-native/icons/music';
import Pencil from 'lucide-react-native/icons/pencil';
import PiggyBank from 'lucide-react-native/icons/piggy-bank';
import Sailboat from 'lucide-react-native/icons/sailboat';
import ShoppingBag from 'lucide-react-native/icons/shopping-bag';
import Sun from 'lucide-react-native/icons/sun';
import Ticket from 'lucide-react-native/icons/ticket';
import Utensils from 'lucide-react-native/icons/utensils';
import Waves from 'lucide-react-native/icons/waves-horizontal';
import type { Icon } from './IconButton.tsx';

/** The icons a habit can have, by the name kept in its record. */
export const HABIT_ICONS: Record<string, { icon: Icon; label: string }> = {
  music: { icon: Music, label: 'Note' },
  guitar: { icon: Guitar, label: 'Instrument' },
  hand: { icon: Hand, label: 'Hand' },
  waves: { icon: Waves, label: 'Water' },
  anchor: { icon: Anchor, label: 'Anchor' },
  hammer: { icon: Hammer, label: 'Hammer' },
  brush: { icon: Brush, label: 'Brush' },
  cable: { icon: Cable, label: 'Rope' },
  languages: { icon: Languages, label: 'Language' },
  book: { icon: BookOpen, label: 'Book' },
  pencil: { icon: Pencil, label: 'Pencil' },
  bird: { icon: Bird, label: 'Bird' },
  leaf: { icon: Leaf, label: 'Leaf' },
  dumbbell: { icon: Dumbbell, label: 'Strength' },
  footprints: { icon: Footprints, label: 'Steps' },
  coffee: { icon: Coffee, label: 'Cup' },
  utensils: { icon: Utensils, label: 'Food' },
  moon: { icon: Moon, label: 'Night' },
  sun: { icon: Sun, label: 'Sun' },
  heart: { icon: Heart, label: 'Heart' },
  savings: { icon: PiggyBank, label: 'Savings' },
};

/** Icons of rewards only, beside the others. */
export const REWARD_ICONS: typeof HABIT_ICONS = {
  gift: { icon: Gift, label: 'Gift' },
  cake: { icon: CakeSlice, label: 'Cake' },
  ticket: { icon: Ticket, label: 'Ticket' },
  bag: { icon: ShoppingBag, label: 'Bag' },
  armchair: { icon: Armchair, label: 'Armchair' },
  bath: { icon: Bath, label: 'Bath' },
  sailboat: { icon: Sailboat, label: 'Boat' },
};
