import { type Control, Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { Field } from './Field.tsx';

type Props<V extends FieldValues> = Omit<
  React.ComponentProps<typeof Field>,
  'value' | 'onChangeText' | 'onBlur' | 'error'
> & {
  control: Control<V>;
  name: FieldPath<V>;
};

/** A text field of a form, with its error beside it. */
export function FormField<V extends FieldValues>({ control, name, ...field }: Props<V>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange, onBlur, ref }, fieldState }) => (
        <Field
          {...field}
          inputRef={ref}
          value={String(value ?? '')}
          onChangeText={onChange}
          onBlur={onBlur}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}
