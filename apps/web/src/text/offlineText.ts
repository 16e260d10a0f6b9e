/** The one wording where the server does not answer; `outcome` says what became of what the person did. */
export const unreachableText = (outcome: 'Nothing is lost' | 'Nothing was changed'): string =>
  `The server cannot be reached just now. ${outcome}; try again in a moment.`;

/** The one wording where a part of the app cannot be loaded. */
export const NO_CONNECTION = 'There seems to be no connection. What you recorded is kept';
