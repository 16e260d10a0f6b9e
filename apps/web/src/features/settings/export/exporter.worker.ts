import { expose } from 'comlink';
import { type WorkerExporter, createExporter } from './exporter.ts';

const exporter = createExporter();

const workerExporter: WorkerExporter = {
  ...exporter,
  write: async (options, type, onShare) => {
    const { content, count } = await exporter.write(options, onShare);
    // Spreadsheet programs detect UTF-8 by the byte order mark.
    return { file: new Blob(type === 'text/csv' ? ['\uFEFF', content] : [content], { type }), count };
  },
};

expose(workerExporter);
