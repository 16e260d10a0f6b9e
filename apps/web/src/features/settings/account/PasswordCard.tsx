import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import * as yup from 'yup';
import { ApiError } from '@wimbel/sync';
import { api } from '../../../platform/api.ts';
import { calendarAddress, endCalendar } from '../../../platform/calendarApi.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { accountFaultWords } from './accountWords.ts';

const SHORTEST = 10;

const schema = yup.object({
  current: yup.string().required('Write your current password'),
  next: yup
    .string()
    .required('Write a new password')
    .min(SHORTEST, `Use at least ${SHORTEST} characters`)
    .test('seen', 'Use more than spaces', (value) => value.trim() !== ''),
});

/** Changes the password; wherever else the account is open, it is closed. */
export function PasswordCard({ accountId }: { accountId: string }) {
  const toast = useToast();
  const [fault, setFault] = useState<string | null>(null);
  // Whoever knows the address of the calendar reads it without the password.
  const [hasCalendar, setHasCalendar] = useState(false);
  const [endsCalendar, setEndsCalendar] = useState(true);
  useEffect(() => {
    let isGone = false;
    calendarAddress(accountId).then(
      (address) => {
        if (!isGone) setHasCalendar(address !== null);
      },
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [accountId]);
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { current: '', next: '' } });
  const submit = form.handleSubmit(async ({ current, next }) => {
    setFault(null);
    try {
      await api.changePassword(accountId, current, next);
      if (hasCalendar && endsCalendar) await endCalendar(accountId);
      form.reset();
      setHasCalendar(hasCalendar && !endsCalendar);
      toast({
        text:
          hasCalendar && endsCalendar
            ? 'The password is changed, you are signed out everywhere else, and the calendar address has ended'
            : 'The password is changed, and you are signed out everywhere else',
      });
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFault(accountFaultWords(error.fault));
    }
  });
  return (
    <SectionCard title="Password">
      {(['current', 'next'] as const).map((name) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field, fieldState }) => (
            <Field
              label={name === 'current' ? 'Current password' : 'New password'}
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void submit()}
              error={fieldState.error?.message}
              secureTextEntry
              autoCapitalize="none"
              autoComplete={name === 'current' ? 'current-password' : 'new-password'}
              {...(name === 'next'
                ? { hint: `At least ${SHORTEST} characters. You are signed out everywhere else.` }
                : {})}
            />
          )}
        />
      ))}
      {hasCalendar ? (
        <Chips
          label="The calendar address"
          isMultiple
          chips={[{ value: 'end', label: 'End the calendar address too' }]}
          chosen={endsCalendar ? ['end'] : []}
          onPress={() => setEndsCalendar(!endsCalendar)}
        />
      ) : null}
      {fault === null ? null : (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button onPress={() => void submit()} isBusy={form.formState.isSubmitting}>
          Change password
        </Button>
      </View>
    </SectionCard>
  );
}
