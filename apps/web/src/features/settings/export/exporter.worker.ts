import { expose } from 'comlink';
import { type BesideTaker, createTaker } from './exporter.ts';

const taker = createTaker();

const besides: BesideTaker = {
  ...taker,
  write: async (wish, type, onShare) => {
    const { content, count } = await taker.write(wish, onShare);
    // Programs that open tables know the letters by this mark.
    return { file: new Blob(type === 'text/csv' ? ['\uFEFF', content] : [content], { type }), count };
  },
};

expose(besides);
