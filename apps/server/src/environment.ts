import { availableParallelism } from 'node:os';
import proxyAddress from 'proxy-addr';
import * as yup from 'yup';

/** Settings from environment variables. */
export type Environment = {
  databaseUrl: string;
  host: string;
  port: number;
  /** How many processes answer requests, from 1. */
  processes: number;
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
  /** Requests with changes, or for them, allowed to one account in a minute by one process. */
  requestsPerMinute: number;
  /** Pages, files and questions about sessions and health allowed to one address in a minute, by all processes together. */
  addressRequestsPerMinute: number;
  /** Samples that may be opened from one address in an hour. */
  samplesPerHour: number;
  /** Addresses (or ranges) of proxies in front, whose word on the client's address is taken. */
  proxies: string[];
  logLevel: string;
};

/** Default maximum of worker processes. */
const MOST_PROCESSES = 4;

const listed = (value: string): string[] => value.split(',').map((each) => each.trim());

/** Whether a text is the origin of pages: scheme, host and perhaps a port, as a browser sends it. */
function isOrigin(text: string): boolean {
  const url = URL.canParse(text) ? new URL(text) : null;
  return url !== null && /^https?:$/.test(url.protocol) && url.origin === text;
}

function areAddresses(addresses: string[]): boolean {
  try {
    proxyAddress.compile(addresses);
    return true;
  } catch {
    return false;
  }
}

const schema = yup.object({
  WIMBEL_DATABASE_URL: yup.string().required('WIMBEL_DATABASE_URL is missing: the address of the PostgreSQL database'),
  WIMBEL_HOST: yup.string().default('127.0.0.1'),
  WIMBEL_PORT: yup.number().integer().min(0).max(65535).default(4790).typeError('WIMBEL_PORT is not a port number'),
  WIMBEL_PROCESSES: yup
    .number()
    .integer('WIMBEL_PROCESSES is not a whole number')
    .min(1, 'WIMBEL_PROCESSES is less than 1')
    .max(64, 'WIMBEL_PROCESSES is more than 64')
    .typeError('WIMBEL_PROCESSES is not a number')
    .default(() => Math.min(availableParallelism(), MOST_PROCESSES)),
  WIMBEL_SECRET: yup
    .string()
    .required('WIMBEL_SECRET is missing: 32 characters or more')
    .min(32, 'WIMBEL_SECRET is shorter than 32 characters'),
  WIMBEL_ORIGIN: yup
    .string()
    .test(
      'origins',
      'WIMBEL_ORIGIN is not a list of addresses that browsers open, such as https://wimbel.example (no path behind it)',
      (value) => value === undefined || listed(value).every(isOrigin),
    ),
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
  WIMBEL_REQUESTS_PER_MINUTE: yup.number().integer().min(1).default(1200),
  WIMBEL_ADDRESS_REQUESTS_PER_MINUTE: yup.number().integer().min(1).default(6000),
  WIMBEL_SAMPLES_PER_HOUR: yup.number().integer().min(1).default(30),
  WIMBEL_PROXIES: yup
    .string()
    .test(
      'addresses',
      'WIMBEL_PROXIES is not a list of addresses or ranges such as 10.0.0.1, 10.1.0.0/16',
      (value) => value === undefined || areAddresses(listed(value)),
    ),
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
  const named = values.WIMBEL_ORIGIN === undefined ? undefined : listed(values.WIMBEL_ORIGIN);
  return {
    databaseUrl: values.WIMBEL_DATABASE_URL,
    host,
    port,
    processes: values.WIMBEL_PROCESSES,
    secret: values.WIMBEL_SECRET,
    origins: named ?? [`http://localhost:${port}`, `http://127.0.0.1:${port}`],
    webRoot: values.WIMBEL_WEB_ROOT ?? null,
    migrations: values.WIMBEL_MIGRATIONS,
    sampleFile: values.WIMBEL_SAMPLE_FILE ?? null,
    now: values.WIMBEL_NOW ?? null,
    signInAttempts: values.WIMBEL_SIGN_IN_ATTEMPTS,
    requestsPerMinute: values.WIMBEL_REQUESTS_PER_MINUTE,
    addressRequestsPerMinute: values.WIMBEL_ADDRESS_REQUESTS_PER_MINUTE,
    samplesPerHour: values.WIMBEL_SAMPLES_PER_HOUR,
    proxies: values.WIMBEL_PROXIES === undefined ? [] : listed(values.WIMBEL_PROXIES),
    logLevel: values.WIMBEL_LOG_LEVEL,
  };
}
