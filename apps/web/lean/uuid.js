/** The one kind of id that the app makes. */
export { default as v7 } from '../../../node_modules/uuid/dist/esm-browser/v7.js';
