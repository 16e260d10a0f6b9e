import { yupResolver } from '@hookform/resolvers/yup';
import * as yup from 'yup';
import { SHORTEST_PASSWORD } from './signInValues.ts';

const schema = yup.object({
  email: yup.string().trim().required('Write your e-mail address').email('This does not look like an e-mail address'),
  password: yup
    .string()
    .required('Write your password')
    .when('$isNew', ([isNew], field) =>
      isNew ? field.min(SHORTEST_PASSWORD, `Use at least ${SHORTEST_PASSWORD} characters`) : field,
    ),
});

/** Checks what was typed to sign in, or up (`isNew`). */
export const signInCheck = yupResolver(schema);
