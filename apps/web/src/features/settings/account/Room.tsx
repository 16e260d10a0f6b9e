import type { UsageAnswer } from '@wimbel/contract';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { api } from '../../../platform/api.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Words } from '../../../ui/Words.tsx';
import { quotaText } from '../../../text/quotaText.ts';

/** How much room the account takes, asked of the server each time the page is opened. */
export function Room() {
  const accountId = useAppSelector((state) => state.account.account?.id);
  const [answer, setAnswer] = useState<UsageAnswer | null>(null);
  useEffect(() => {
    if (accountId === undefined) return;
    let isGone = false;
    api.usage(accountId).then(
      (next) => {
        if (!isGone) setAnswer(next);
      },
      // Unknown without the server: nothing is shown.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [accountId]);
  if (answer === null) return null;
  const { text, isNearlyFull } = quotaText(answer);
  return (
    <View role={isNearlyFull ? 'alert' : 'note'}>
      <Words type="quiet" tone={isNearlyFull ? 'madder' : 'quiet'}>
        {text}
      </Words>
    </View>
  );
}
