/** Finding one's way in the JSON Schema of the settings. */

/** The part of a schema that names keys: itself, or the other choice where null would do too; else undefined. */
export function objectOf(schema) {
  if (schema.properties) return schema;
  const [object, nothing] = schema.anyOf ?? [];
  return schema.anyOf?.length === 2 && nothing.type === 'null' && object.properties ? object : undefined;
}
