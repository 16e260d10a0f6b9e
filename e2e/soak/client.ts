import { Agent, request } from 'node:http';

const PASSWORD = 'a long enough word';

export type Somebody = { id: string; headers: Record<string, string> };

/** Connections that stay open between requests. */
export const agent = new Agent({ keepAlive: true, maxSockets: 256 });

/** Asks a server; rejects where it was not reached, or the connection broke or was cut after so many milliseconds. */
export function ask(
  url: string,
  headers: Record<string, string>,
  body: unknown,
  cutAfterMs: number | null = null,
): Promise<{ status: number; body: unknown }> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((resolve, reject) => {
    const asked = request(
      url,
      {
        method: text === undefined ? 'GET' : 'POST',
        agent,
        headers: { ...headers, ...(text === undefined ? {} : { 'content-length': Buffer.byteLength(text) }) },
        timeout: 30_000,
      },
      (answer) => {
        let said = '';
        answer.setEncoding('utf8');
        answer.on('data', (chunk: string) => (said += chunk));
        answer.on('error', reject);
        answer.on('end', () => {
          try {
            resolve({ status: answer.statusCode ?? 0, body: JSON.parse(said) });
          } catch (error) {
            reject(error as Error);
          }
        });
      },
    );
    asked.on('error', (error: NodeJS.ErrnoException) => {
      // The server had just let a resting connection go: browsers, too, ask again over a new one.
      if (asked.reusedSocket && error.code === 'ECONNRESET' && cutAfterMs === null)
        resolve(ask(url, headers, body, cutAfterMs));
      else reject(error);
    });
    asked.on('timeout', () => asked.destroy(new Error('no answer')));
    if (cutAfterMs !== null) setTimeout(() => asked.destroy(new Error('cut')), cutAfterMs);
    asked.end(text);
  });
}

/** Somebody new at a server. */
export async function signUp(url: string, email: string): Promise<Somebody> {
  const headers = { 'content-type': 'application/json', origin: url };
  const answer = await fetch(`${url}/api/auth/sign-up/email`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ email, password: PASSWORD, name: 'Soak' }),
  });
  const cookie = answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const { user } = (await answer.json()) as { user: { id: string } };
  return { id: user.id, headers: { ...headers, cookie, 'x-wimbel-account': user.id } };
}

export const habit = (id: string) => ({
  id,
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-01-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-01-01',
});
