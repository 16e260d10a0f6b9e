import { yupResolver } from '@hookform/resolvers/yup';
import type { FieldValues, Resolver } from 'react-hook-form';
import type { AnyObjectSchema } from 'yup';

/**
 * Form validation of a draft by a Yup schema that checks some of its fields. The resolver is typed by the schema alone and does not
 * know the other fields, hence the one cast.
 */
export const draftResolver = <Draft extends FieldValues>(schema: AnyObjectSchema): Resolver<Draft> =>
  yupResolver(schema) as unknown as Resolver<Draft>;
