/** The data of one code among those of a union. */
export type Of<Data, Code> = Data extends { code: infer Own } ? (Code extends Own ? Data : never) : never;

/** A sentence for each code of data of the core. */
export type Sentences<Data extends { code: string }> = { [Code in Data['code']]: (data: Of<Data, Code>) => string };
