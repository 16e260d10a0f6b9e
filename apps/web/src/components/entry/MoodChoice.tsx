import type { Mood } from '@wimbel/core';
import { View } from 'react-native';
import { selectSettings } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed } from '../../theme/Theme.tsx';
import { CORNER, SPACE } from '../../theme/space.ts';
import { Choice } from '../../ui/Choice.tsx';
import { SunPicture } from '../../ui/SunPicture.tsx';
import { Words } from '../../ui/Words.tsx';
import { isTabbed, radioKeys } from '../../ui/radioKeys.ts';
import { MOODS, moodSign, moodWord } from '../../text/moodText.ts';

/** The mood, one of five; a tap on the chosen one takes it away. */
export function MoodChoice({ chosen, onChoose }: { chosen: Mood | null; onChoose: (mood: Mood) => void }) {
  const styles = useStyles();
  const settings = useAppSelector(selectSettings);
  return (
    <View role="radiogroup" aria-label="Mood" style={styles.moods} onKeyDown={radioKeys}>
      {MOODS.map((mood) => {
        const isChosen = mood === chosen;
        const sign = moodSign(settings, mood);
        const word = moodWord(settings, mood);
        return (
          <Choice
            key={mood}
            role="radio"
            isChosen={isChosen}
            label={word}
            isTabStop={isTabbed(MOODS.map(String), chosen === null ? undefined : String(chosen), String(mood))}
            onPress={() => onChoose(mood)}
            style={[styles.mood, isChosen && styles.chosen]}
          >
            {sign === null ? (
              <SunPicture mood={mood} isChosen={isChosen} />
            ) : (
              <Words type="title" style={styles.sign}>
                {sign}
              </Words>
            )}
            <Words type={isChosen ? 'strong' : 'label'} tone={isChosen ? 'ink' : 'quiet'} numberOfLines={1}>
              {word}
            </Words>
          </Choice>
        );
      })}
    </View>
  );
}

const useStyles = themed((colors) => ({
  moods: { flexDirection: 'row', justifyContent: 'space-between', gap: 2, maxWidth: 520 },
  mood: {
    flex: 1,
    minWidth: 0,
    alignItems: 'center',
    justifyContent: 'flex-end',
    gap: 2,
    paddingVertical: SPACE.s,
    borderRadius: CORNER.field,
  },
  chosen: { backgroundColor: colors.wash },
  sign: { height: 48, lineHeight: 48 },
}));
