import { textsOf } from './words.ts';

it('finds the texts of a screen, and no code', () => {
  const source = `
    import { x } from 'some thing';
    const LABEL = 'Only what is left';
    export const A = () => (
      <View style={styles.row} role="button" aria-label={\`Go to \${title}\`}>
        <Words type="strong tone">Add a habit</Words>
        {kind === 'two days' ? 'Nothing left today' : 'open'}
      </View>
    );`;
  expect(textsOf('a.tsx', source)).toEqual(['Only what is left', 'Go to …', 'Add a habit', 'Nothing left today']);
});
