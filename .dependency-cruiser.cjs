/** Imports go one way: app → features → components, charts → store, sync, text → ui, theme, platform → packages: sync, exchange → contract → core. */
const web = (room) => `^apps/web/src/${room}/`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'no-unresolved', severity: 'error', from: { pathNot: '^apps/web/' }, to: { couldNotResolve: true } },
    {
      name: 'core-is-pure',
      comment: 'The core knows only itself and the scales and shapes of d3.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.test\\.ts$|/testing/' },
      to: { pathNot: '^packages/core/src/|d3-(scale|shape)/' },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^packages/contract/src/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^packages/(contract|core)/src/|/yup/' },
    },
    {
      name: 'exchange-on-contract',
      severity: 'error',
      from: { path: '^packages/exchange/src/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^packages/(exchange|contract|core)/src/|/(papaparse|ical-generator|exceljs|fflate|fastest-levenshtein)/',
      },
    },
    {
      name: 'sync-on-contract',
      comment: 'The engine takes storage, network, clock, timers and tabs from outside.',
      severity: 'error',
      from: { path: '^packages/sync/src/', pathNot: '\\.test\\.ts$|/testing/' },
      to: { pathNot: '^packages/(sync|contract|core)/src/' },
    },
    {
      name: 'packages-by-their-index',
      severity: 'error',
      from: { path: '^(apps|bench|scripts|tools|e2e)/' },
      to: { path: '^packages/([^/]+)/src/(?!index\\.ts$)' },
    },
    {
      name: 'packages-by-each-others-index',
      severity: 'error',
      from: { path: '^packages/([^/]+)/' },
      to: { path: '^packages/([^/]+)/src/(?!index\\.ts$)', pathNot: '^packages/$1/' },
    },
    {
      name: 'not-through-own-index',
      severity: 'error',
      from: { path: '^packages/([^/]+)/src/' },
      to: { path: '^packages/$1/src/index\\.ts$' },
    },
    { name: 'server-apart-from-web', severity: 'error', from: { path: '^apps/server/' }, to: { path: '^apps/web/' } },
    {
      name: 'web-apart-from-server',
      severity: 'error',
      from: { path: '^apps/web/' },
      to: { path: '^apps/server/' },
    },
    {
      name: 'features-apart',
      comment: 'A feature never imports another; what two need moves down.',
      severity: 'error',
      from: { path: '^apps/web/src/features/([^/]+)/' },
      to: { path: '^apps/web/src/features/', pathNot: '^apps/web/src/features/$1/' },
    },
    {
      name: 'components-below-features',
      severity: 'error',
      from: { path: `${web('components')}|${web('charts')}` },
      to: { path: `^apps/web/app/|${web('features')}` },
    },
    {
      name: 'store-below-components',
      severity: 'error',
      from: { path: `${web('store')}|${web('sync')}|${web('text')}` },
      to: { path: `^apps/web/app/|${web('features')}|${web('components')}|${web('charts')}` },
    },
    {
      name: 'ui-at-the-bottom',
      severity: 'error',
      from: { path: `${web('ui')}|${web('theme')}|${web('platform')}` },
      to: {
        path: `^apps/web/app/|${web('features')}|${web('components')}|${web('charts')}|${web('store')}|${web('sync')}|${web('text')}`,
      },
    },
    {
      name: 'tables-only-in-queries',
      severity: 'error',
      from: { path: '^apps/server/src/features/', pathNot: '(queries|service|auth|\\.test)\\.ts$' },
      to: { path: '^apps/server/src/db/(tables|schema/)' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/|\\.metro-cache|\\.expo/|public/|e2e/\\.shot' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.cjs', '.js', '.json'],
    },
  },
};
