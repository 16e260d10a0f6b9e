module.exports = async () => {
  const { dropCluster } = await import('../../../../scripts/machine/postgres.mjs');
  dropCluster('server-tests');
};
