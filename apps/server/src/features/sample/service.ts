import { createHmac } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { readDataFileText } from '@wimbel/exchange';
import { eq } from 'drizzle-orm';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../../clock.ts';
import type { Database } from '../../db/connection.ts';
import { user } from '../../db/schema/account.ts';
import type { Auth } from '../account/auth.ts';
import { currentRevision } from '../changes/queries.ts';
import { importRecords } from '../changes/service.ts';

/** The account that holds the sample data. Nobody can sign up with its address: the domain can't receive mail. */
const SAMPLE_EMAIL = 'sample.person@wimbel.invalid';

export type Sample = { email: string; password: string };

/** The sample account's way in. Its password is made from the server's secret and kept nowhere. */
export const sampleOf = (secret: string): Sample => ({
  email: SAMPLE_EMAIL,
  password: createHmac('sha256', secret).update('sample account').digest('base64url'),
});

/** Makes the sample account and loads the file into it, unless it already holds something. */
export async function prepareSample(
  deps: { db: Database; auth: Auth; clock: Clock },
  sample: Sample,
  file: string,
): Promise<'loaded' | 'kept'> {
  const { db, auth, clock } = deps;
  const [known] = await db.select({ id: user.id }).from(user).where(eq(user.email, sample.email));
  const id =
    known?.id ??
    (await auth.api.signUpEmail({ body: { email: sample.email, password: sample.password, name: 'Sample' } })).user.id;
  if ((await currentRevision(db, id)) > 0) return 'kept';
  const { records, issues } = readDataFileText(await readFile(file, 'utf8'));
  if (records === null) {
    throw new Error(
      `The sample file is not a good data file: ${issues
        .slice(0, 3)
        .map((each) => `${each.path}: ${each.message}`)
        .join('; ')}`,
    );
  }
  await importRecords(db, id, records, clock.now().toISOString(), uuid());
  return 'loaded';
}
