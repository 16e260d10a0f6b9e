import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import * as yup from 'yup';
import { ApiError, api } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
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
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { current: '', next: '' } });
  const submit = form.handleSubmit(async ({ current, next }) => {
    setFault(null);
    try {
      await api.changePassword(accountId, current, next);
      form.reset();
      toast({ text: 'The password is changed, and you are signed out everywhere else' });
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
