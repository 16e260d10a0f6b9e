import { buildServer, buildWeb } from '../tools/build.mjs';
import { reportFault } from '../tools/system.mjs';

try {
  await buildWeb();
  await buildServer();
} catch (error) {
  reportFault(error);
  process.exit(1);
}
