import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { ROOT, run, say } from './system.mjs';

export const WEB_DIST = join(ROOT, 'apps/web/dist');
export const SERVER_MAIN = join(ROOT, 'apps/server/dist/main.js');
export const MIGRATIONS = join(ROOT, 'apps/server/drizzle');

const SKIPPED = new Set(['node_modules', 'dist', '.expo', '.metro-cache', 'testing']);

function* filesIn(path) {
  for (const entry of readdirSync(path, { withFileTypes: true })) {
    if (SKIPPED.has(entry.name) || /\.test\.tsx?$/.test(entry.name)) continue;
    const full = join(path, entry.name);
    if (entry.isDirectory()) yield* filesIn(full);
    else yield full;
  }
}

/** Hash of the names and contents of all files in folders. */
function hashOf(folders) {
  const hash = createHash('sha256');
  const files = folders.flatMap((folder) => [...filesIn(join(ROOT, folder))]).sort();
  for (const file of [...files, join(ROOT, 'package-lock.json'), join(ROOT, 'tools/build.mjs')]) {
    hash.update(relative(ROOT, file)).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

/** Builds unless the sources are unchanged since the last build. */
async function buildOnce(name, folders, output, build) {
  const stamp = join(output, '.built-from');
  const source = hashOf(folders);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === source) return;
  say(`Building ${name} …`);
  rmSync(output, { recursive: true, force: true });
  mkdirSync(output, { recursive: true });
  await build();
  writeFileSync(stamp, source);
}

const COMPRESSED = /\.(html|js|css|json|svg|ttf|ico|txt|map)$/;
const WORTH_BYTES = 1024;

/** Precompresses every file worth it (.br and .gz). */
function precompress(folder) {
  for (const file of filesIn(folder)) {
    if (!COMPRESSED.test(file)) continue;
    const content = readFileSync(file);
    if (content.length < WORTH_BYTES) continue;
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}

/** The shipped fonts by the names that styles use. */
const FONTS = {
  BricolageGrotesque_700Bold: 'bricolage-grotesque/700Bold',
  Figtree_400Regular: 'figtree/400Regular',
  Figtree_500Medium: 'figtree/500Medium',
  Figtree_600SemiBold: 'figtree/600SemiBold',
};

/** Writes the fonts and their styles (`font-display: swap`). */
function layFonts(folder) {
  mkdirSync(join(folder, 'fonts'));
  const faces = Object.entries(FONTS).map(([name, place]) => {
    const font = readFileSync(join(ROOT, 'node_modules/@expo-google-fonts', place, `${name}.ttf`));
    const file = `fonts/${name}-${createHash('sha256').update(font).digest('hex').slice(0, 32)}.ttf`;
    writeFileSync(join(folder, file), font);
    return `@font-face{font-family:${name};src:url(/${file}) format('truetype');font-display:swap}`;
  });
  const styles = join(folder, 'base.css');
  writeFileSync(styles, `${faces.join('\n')}\n${readFileSync(styles, 'utf8')}`);
}

/** Lists the scripts that the page does not name, for the app to preload, and names the screens' chunk in the page. */
function listChunks(folder) {
  const page = join(folder, 'index.html');
  const html = readFileSync(page, 'utf8');
  const chunks = readdirSync(join(folder, '_expo/static/js/web'))
    .map((name) => `/_expo/static/js/web/${name}`)
    .filter((path) => path.endsWith('.js') && !html.includes(path));
  const screens = chunks.find((path) => /\/screens-/.test(path));
  if (screens === undefined || !html.includes('data-screens=""')) throw new Error('The page has no chunk of screens');
  writeFileSync(join(folder, 'chunks.json'), JSON.stringify(chunks));
  writeFileSync(page, html.replace('data-screens=""', `data-screens="${screens}"`));
}

/** Writes the service worker: precaches every file and serves the one page for every route. */
async function layWorker(folder) {
  const { generateSW } = await import('workbox-build');
  const { warnings, count } = await generateSW({
    globDirectory: folder,
    globPatterns: ['**/*.{js,css,svg,png,ttf,ico,webmanifest}'],
    globIgnores: ['**/*.map', 'sw.js', 'chunks.json'],
    templatedURLs: { '/': ['index.html'] },
    swDest: join(folder, 'sw.js'),
    navigateFallback: '/',
    // API paths are never answered with the page.
    navigateFallbackDenylist: [/^\/api\//, /\.[A-Za-z0-9]{1,8}$/],
    // Hashed names need no revision.
    dontCacheBustURLsMatching: /[.-][0-9a-f]{16,}\.\w+$/,
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
    cleanupOutdatedCaches: true,
    skipWaiting: false,
    // Also controls the first page: else it would ask a newer server for its own chunks.
    clientsClaim: true,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
  });
  if (warnings.length > 0 || count === 0) throw new Error(`The worker keeps ${count} files: ${warnings.join('; ')}`);
}

export async function buildWeb() {
  await buildOnce(
    'the web app (the first time takes about two minutes)',
    ['apps/web', 'packages'],
    WEB_DIST,
    async () => {
      run('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], {
        cwd: join(ROOT, 'apps/web'),
        env: { CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' },
        what: 'Building the web app',
      });
      layFonts(WEB_DIST);
      listChunks(WEB_DIST);
      await layWorker(WEB_DIST);
      precompress(WEB_DIST);
    },
  );
}

export async function buildServer() {
  const banner = "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);";
  await buildOnce('the server', ['apps/server', 'packages'], join(ROOT, 'apps/server/dist'), () => {
    run(
      'npx',
      [
        'esbuild',
        'apps/server/src/main.ts',
        '--bundle',
        '--platform=node',
        '--target=node20',
        '--format=esm',
        '--sourcemap',
        '--external:@node-rs/argon2',
        '--external:pg-native',
        `--banner:js=${banner}`,
        `--outfile=${SERVER_MAIN}`,
        '--log-level=warning',
      ],
      { what: 'Building the server' },
    );
  });
}
