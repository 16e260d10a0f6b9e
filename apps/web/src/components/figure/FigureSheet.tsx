import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { useAppSelector } from '../../store/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import type { FigureQuery } from '../../text/figureQuery.ts';
import { explainFigure } from '../../text/explanation/explainFigure.ts';
import type { FigureExplanation } from '../../text/explanation/explanation.ts';

/** Explains a figure: one sentence, its parts with links, and their total. */
export function FigureSheet({
  asked,
  onClose,
  onGo,
}: {
  asked: FigureQuery;
  onClose: () => void;
  onGo: (path: string) => void;
}) {
  const styles = useStyles();
  const state = useAppSelector((all) => all);
  const account = useMemo(() => explainFigure(state, asked), [state, asked]);
  if (account === null) {
    return (
      <Sheet title="Nothing yet" onClose={onClose}>
        <Words tone="quiet">There is no record that this figure could be made of.</Words>
      </Sheet>
    );
  }
  const { title, sentence, parts, adjustments, total } = account;
  return (
    <Sheet title={total} onClose={onClose}>
      <View style={styles.head}>
        <Words type="label">{title}</Words>
        <Words tone="quiet">{sentence}</Words>
      </View>
      <View role="list" aria-label="What it is made of">
        {parts.map((part) => (
          <Part key={part.key} part={part} onGo={onGo} />
        ))}
        {parts.length === 0 ? (
          <Words type="quiet" tone="quiet">
            Nothing counts in it yet.
          </Words>
        ) : null}
        {adjustments.map(({ text, value }) => (
          <View key={text} role="listitem" style={styles.line} dataSet={{ adjustment: '' }}>
            <Words type="quiet" tone="quiet" style={styles.grow}>
              {text}
            </Words>
            <Words type="quiet" tone="quiet" style={styles.value}>
              {value}
            </Words>
          </View>
        ))}
      </View>
      <View style={styles.total} dataSet={{ total: '' }}>
        <Words type="label" style={styles.grow}>
          Together
        </Words>
        <Words type="strong" style={styles.value}>
          {total}
        </Words>
      </View>
    </Sheet>
  );
}

function Part({ part, onGo }: { part: FigureExplanation['parts'][number]; onGo: (path: string) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { name, value, href } = part;
  const words = (
    <>
      <Words style={styles.grow}>{name}</Words>
      <Words type="label" style={styles.value}>
        {value}
      </Words>
    </>
  );
  return (
    <View role="listitem" dataSet={{ part: '' }}>
      {href === null ? (
        <View style={styles.line}>
          {words}
          <View style={styles.chevron} />
        </View>
      ) : (
        <Pressable role="link" aria-label={`${name}: ${value}`} onPress={() => onGo(href)} style={styles.line}>
          {words}
          <View style={styles.chevron}>
            <ChevronRight size={16} color={colors.quiet} />
          </View>
        </Pressable>
      )}
    </View>
  );
}

const useStyles = themed((colors) => ({
  head: { gap: SPACE.xs },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: TOUCH_PX,
    borderBottomWidth: 1,
    borderBottomColor: colors.line,
  },
  grow: { flex: 1, minWidth: 0 },
  value: { textAlign: 'right', flexShrink: 0, maxWidth: '60%' },
  chevron: { width: 16, alignItems: 'flex-end' },
  total: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s, paddingRight: 16 + SPACE.s },
}));
