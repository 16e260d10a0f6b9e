import { Pressable, View } from 'react-native';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Words } from '../../ui/Words.tsx';

/** What was thought out page by page: each part with its page and words. */
export type PlannedPart<P extends string> = readonly [page: P, name: string, words: string];

/** A plan to be looked over, each part a way back to its page, and what is worth a thought. */
export function PlanSummary<P extends string>({
  label,
  parts,
  hints,
  onGo,
}: {
  label: string;
  parts: readonly PlannedPart<P>[];
  hints: readonly string[];
  onGo: (page: P) => void;
}) {
  const styles = useStyles();
  return (
    <>
      <Card isFlush label={label}>
        {parts.map(([page, name, words]) => (
          <Pressable
            key={name}
            role="button"
            aria-label={`Change: ${name}`}
            onPress={() => onGo(page)}
            style={styles.plan}
          >
            <Words type="label" tone="quiet" style={styles.name}>
              {name}
            </Words>
            <Words style={styles.words}>{words}</Words>
          </Pressable>
        ))}
      </Card>
      {hints.length > 0 ? (
        <View role="note" aria-label="Worth a thought" style={styles.hints}>
          <Words type="label" tone="brassText">
            Worth a thought
          </Words>
          {hints.map((hint) => (
            <Words key={hint} tone="quiet">
              {hint}
            </Words>
          ))}
        </View>
      ) : null}
    </>
  );
}

const useStyles = themed((colors) => ({
  plan: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: SPACE.m,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.m,
    minHeight: 46,
    borderBottomWidth: 1,
    borderBottomColor: colors.line,
  },
  name: { width: 92, lineHeight: 21 },
  words: { flex: 1, minWidth: 0 },
  hints: { gap: SPACE.xs, borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m },
}));
