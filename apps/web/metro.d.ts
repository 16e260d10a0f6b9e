/** Metro's `require.context`: the modules of a folder, as the router takes them. */
declare namespace NodeJS {
  interface Require {
    context(
      folder: string,
      isDeep: boolean,
      filter: RegExp,
    ): { keys(): string[]; (id: string): unknown; resolve(id: string): string; id: string };
  }
}
