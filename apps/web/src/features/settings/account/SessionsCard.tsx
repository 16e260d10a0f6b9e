import Bowser from 'bowser';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { dayFromParts } from '@wimbel/core';
import { ApiError } from '@wimbel/sync';
import { type OpenSession, api } from '../../../platform/api.ts';
import { deviceNow } from '../../../platform/clock.ts';
import { dateNear } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { accountFaultWords } from './accountWords.ts';

/** A browser and its machine in words, as it says itself. */
function deviceWords(userAgent: string | null): string {
  if (userAgent === null || userAgent === '') return 'A browser';
  const { browser, os } = Bowser.parse(userAgent);
  return [browser.name ?? 'A browser', os.name].filter(Boolean).join(' on ');
}

const dayOfDate = (date: Date) => dayFromParts(date.getFullYear(), date.getMonth() + 1, date.getDate());

/** Where the account is open, with the way to close it there. */
export function SessionsCard({ accountId }: { accountId: string }) {
  const styles = useStyles();
  const [sessions, setSessions] = useState<OpenSession[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>): Promise<void> => {
    try {
      await work();
      setSessions(await api.sessions());
      setFault(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFault(accountFaultWords(error.fault));
    }
  };
  useEffect(() => {
    api.sessions().then(setSessions, (error: unknown) => {
      setFault(error instanceof ApiError ? accountFaultWords(error.fault) : 'That did not work.');
    });
  }, []);
  const ordered = [...(sessions ?? [])].sort(
    (a, b) => Number(b.isThis) - Number(a.isThis) || (a.updatedAt < b.updatedAt ? 1 : -1),
  );
  const today = dayOfDate(deviceNow());
  return (
    <SectionCard title="Where you are signed in">
      {fault === null ? null : (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      )}
      {sessions === null && fault === null ? <Words tone="quiet">Asking the server …</Words> : null}
      {ordered.map((session) => {
        const words = deviceWords(session.userAgent);
        const since = `last used ${dateNear(dayOfDate(new Date(session.updatedAt)), today)}`;
        return (
          <View key={session.id} style={styles.row}>
            <View style={styles.words}>
              <Words>{words}</Words>
              <Words type="quiet" tone="quiet">
                {session.isThis ? 'this browser' : since}
              </Words>
            </View>
            {session.isThis ? null : (
              <Button
                kind="bare"
                label={`Sign out: ${words}, ${since}`}
                onPress={() => void attempt(() => api.endSession(accountId, session.token))}
              >
                Sign out
              </Button>
            )}
          </View>
        );
      })}
      {ordered.length > 1 ? (
        <View style={{ flexDirection: 'row' }}>
          <Button onPress={() => void attempt(() => api.endOtherSessions(accountId))}>Sign out everywhere else</Button>
        </View>
      ) : null}
    </SectionCard>
  );
}

const useStyles = themed(() => ({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  words: { flex: 1, gap: 2 },
}));
