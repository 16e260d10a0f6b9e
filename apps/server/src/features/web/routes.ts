import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { type Context, Hono } from 'hono';
import { getMimeType } from 'hono/utils/mime';
import type { AppEnv } from '../../appEnv.ts';

const YEAR_SECONDS = 31_536_000;
/** Files whose name carries the hash of their content never change. */
const HASHED = /[.-][0-9a-f]{16,}\.\w+$/;
/** Files of the build that are not served. */
const OF_THE_BUILD = /^\/(\.|metadata\.json)/;
const HAS_EXTENSION = /\.[A-Za-z0-9]{1,8}$/;
/** The ways in which files lie there compressed beforehand, the best first. */
const ENCODINGS = [
  ['br', '.br'],
  ['gzip', '.gz'],
] as const;

type Body = Uint8Array<ArrayBuffer>;
type StaticFile = { bodies: Map<string, Body>; plain: Body; headers: Record<string, string> };

/** The files of a folder, by their path, with their compressed bytes. */
function filesIn(root: string): Map<string, StaticFile> {
  const paths = readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .map((each) => `/${relative(root, join(each.parentPath, each.name)).split(sep).join('/')}`)
    .filter((path) => !OF_THE_BUILD.test(path));
  const all = new Set(paths);
  const read = (path: string): Body => new Uint8Array(readFileSync(join(root, path)));
  const isCompressed = (path: string): boolean =>
    ENCODINGS.some(([, suffix]) => path.endsWith(suffix) && all.has(path.slice(0, -suffix.length)));
  return new Map(
    paths
      .filter((path) => !isCompressed(path))
      .map((path): [string, StaticFile] => {
        const plain = read(path);
        const bodies = ENCODINGS.flatMap(([encoding, suffix]): [string, Body][] =>
          all.has(path + suffix) ? [[encoding, read(path + suffix)]] : [],
        );
        const headers = {
          'content-type': getMimeType(path) ?? 'application/octet-stream',
          'cache-control': HASHED.test(path) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache',
          etag: `"${createHash('sha256').update(plain).digest('base64url').slice(0, 22)}"`,
          ...(bodies.length > 0 ? { vary: 'Accept-Encoding' } : {}),
        };
        return [path, { bodies: new Map(bodies), plain, headers }];
      }),
  );
}

function send(c: Context<AppEnv>, { bodies, plain, headers }: StaticFile): Response {
  if (c.req.header('if-none-match') === headers.etag) return new Response(null, { status: 304, headers });
  const accepted = c.req.header('accept-encoding') ?? '';
  for (const [encoding, body] of bodies) {
    if (!new RegExp(`(^|[,\\s])${encoding}(?!\\s*;\\s*q=0(\\.0*)?\\s*(,|$))`).test(accepted)) continue;
    const sent = { ...headers, 'content-encoding': encoding, 'content-length': String(body.byteLength) };
    return new Response(body, { headers: sent });
  }
  return new Response(plain, { headers: { ...headers, 'content-length': String(plain.byteLength) } });
}

/**
 * Serves the exported web app from memory, read once at the start: files as they are (compressed where they lie there
 * compressed), and the one page for every other address, so that deep links open.
 */
export function webRoutes(root: string) {
  const files = filesIn(root);
  const page = files.get('/index.html')!;
  return new Hono<AppEnv>()
    .get('/index.html', (c) => c.redirect('/', 301))
    .get('*', async (c, next) => {
      const file = files.get(c.req.path);
      if (file !== undefined) return send(c, file);
      return HAS_EXTENSION.test(c.req.path) || OF_THE_BUILD.test(c.req.path) ? next() : send(c, page);
    });
}
