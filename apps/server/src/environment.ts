import * as yup from 'yup';

/** What the server is told by its environment. */
export type Environment = {
  databaseUrl: string;
  host: string;
  port: number;
  /** Signs sessions; 32 characters or more. */
  secret: string;
  /** Addresses that browsers open the app at; the first is the server's own. */
  origins: string[];
  /** Folder of the exported web app; null to serve only the API. */
  webRoot: string | null;
  /** Folder of the database migrations. */
  migrations: string;
  /** A data file offered as the sample account; null for none. */
  sampleFile: string | null;
  /** The instant the server's clock starts at; null for the real time. */
  now: string | null;
  /** Sign-in and sign-up attempts allowed from one address in five minutes. */
  signInAttempts: number;
  logLevel: string;
};

const schema = yup.object({
  WIMBEL_DATABASE_URL: yup.string().required('WIMBEL_DATABASE_URL is missing: the address of the PostgreSQL database'),
  WIMBEL_HOST: yup.string().default('127.0.0.1'),
  WIMBEL_PORT: yup.number().integer().min(0).max(65535).default(4790).typeError('WIMBEL_PORT is not a port number'),
  WIMBEL_SECRET: yup
    .string()
    .required('WIMBEL_SECRET is missing: 32 characters or more')
    .min(32, 'WIMBEL_SECRET is shorter than 32 characters'),
  WIMBEL_ORIGIN: yup.string(),
  WIMBEL_WEB_ROOT: yup.string(),
  WIMBEL_MIGRATIONS: yup.string().required('WIMBEL_MIGRATIONS is missing: the folder of the database migrations'),
  WIMBEL_SAMPLE_FILE: yup.string(),
  WIMBEL_NOW: yup
    .string()
    .test(
      'instant',
      'WIMBEL_NOW is not an instant such as 2026-11-24T09:00:00Z',
      (value) => value === undefined || !Number.isNaN(Date.parse(value)),
    ),
  WIMBEL_SIGN_IN_ATTEMPTS: yup.number().integer().min(1).default(20),
  WIMBEL_LOG_LEVEL: yup.string().default('info'),
});

/** Reads the environment; throws an Error that names every variable at fault. */
export function readEnvironment(variables: Record<string, string | undefined>): Environment {
  const given = Object.fromEntries(Object.entries(variables).filter(([, value]) => value !== ''));
  let values;
  try {
    values = schema.validateSync(given, { abortEarly: false, stripUnknown: true });
  } catch (error) {
    throw new Error(`The server cannot start:\n${(error as yup.ValidationError).errors.join('\n')}`);
  }
  const { WIMBEL_HOST: host, WIMBEL_PORT: port } = values;
  const named = values.WIMBEL_ORIGIN?.split(',').map((each) => each.trim());
  return {
    databaseUrl: values.WIMBEL_DATABASE_URL,
    host,
    port,
    secret: values.WIMBEL_SECRET,
    origins: named ?? [`http://localhost:${port}`, `http://127.0.0.1:${port}`],
    webRoot: values.WIMBEL_WEB_ROOT ?? null,
    migrations: values.WIMBEL_MIGRATIONS,
    sampleFile: values.WIMBEL_SAMPLE_FILE ?? null,
    now: values.WIMBEL_NOW ?? null,
    signInAttempts: values.WIMBEL_SIGN_IN_ATTEMPTS,
    logLevel: values.WIMBEL_LOG_LEVEL,
  };
}
