/** An object of a JSON text, whose keys nobody has looked at yet. */
export type Item = { readonly [key: string]: unknown };

/** Whether a value of a JSON text is an object, and no list. */
export const isObject = (value: unknown): value is Item => typeof value === 'object' && value !== null && !Array.isArray(value);
