import { linkTarget } from '@wimbel/contract';
import { Linking, Text, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { type WrittenPart, writtenBlocks } from '../../text/textBlocks.ts';

/** Plain text as it is read: paragraphs, lists, and web addresses that lead there. */
export function WrittenText({ text }: { text: string }) {
  const styles = useStyles();
  return (
    <View style={styles.text}>
      {writtenBlocks(text).map((block, place) =>
        block.kind === 'paragraph' ? (
          <Words key={place}>
            {block.lines.map((line, at) => (
              <Text key={at}>
                {at > 0 ? '\n' : ''}
                <Pieces parts={line} />
              </Text>
            ))}
          </Words>
        ) : (
          <View key={place} role="list" style={styles.list}>
            {block.items.map((item, at) => (
              <View key={at} role="listitem" style={styles.item}>
                <Words tone="quiet" style={styles.sign}>
                  {block.isNumbered ? `${at + 1}.` : '–'}
                </Words>
                <Words style={styles.words}>
                  <Pieces parts={item} />
                </Words>
              </View>
            ))}
          </View>
        ),
      )}
    </View>
  );
}

function Pieces({ parts }: { parts: readonly WrittenPart[] }) {
  const { colors } = useTheme();
  return parts.map(({ text, href }, at) =>
    href === null ? (
      text
    ) : (
      <Text
        key={at}
        role="link"
        href={href}
        hrefAttrs={{ target: 'blank', rel: 'noopener noreferrer' }}
        onPress={(event) => {
          event.stopPropagation();
          event.preventDefault();
          const target = linkTarget(href);
          if (target !== null) void Linking.openURL(target);
        }}
        style={{ color: colors.working, textDecorationLine: 'underline', overflowWrap: 'anywhere' }}
      >
        {text}
      </Text>
    ),
  );
}

const useStyles = themed(() => ({
  text: { gap: SPACE.s },
  list: { gap: 2 },
  item: { flexDirection: 'row', gap: SPACE.s },
  sign: { minWidth: 14, textAlign: 'right' },
  words: { flex: 1, minWidth: 0 },
}));
