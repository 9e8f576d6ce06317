/** The schema is written after the types are compiled. */
declare module 'zesty-kite/settings.schema.json' {
  const schema: object;
  export { schema as default };
}
