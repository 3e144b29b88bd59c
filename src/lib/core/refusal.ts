/** Something that was typed or asked for and cannot be, as data; `words` has the sentence. */
export class Refusal<T extends object> extends Error {
  constructor(readonly flaw: T) {
    super(JSON.stringify(flaw));
  }
}
