export const decode = { title: 'Decode' } as const;
export const notebook = { title: 'Notebook' } as const;
