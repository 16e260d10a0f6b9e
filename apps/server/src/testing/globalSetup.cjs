const CLUSTER = 'server-tests';

/** One throwaway cluster for all server tests; each file makes a database of its own in it. */
module.exports = async () => {
  const { dropCluster, ensurePostgres, startCluster } = await import('../../../../tools/postgres.mjs');
  ensurePostgres();
  dropCluster(CLUSTER);
  const cluster = await startCluster(CLUSTER);
  process.env.TEST_DATABASE_URL = cluster.url('postgres');
};
