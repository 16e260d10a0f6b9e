module.exports = async () => {
  const { dropCluster } = await import('../../../../tools/postgres.mjs');
  dropCluster('server-tests');
};
