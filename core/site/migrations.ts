/** Steps from each older version to the next. A step never drops what it does not understand. */
export const MIGRATIONS: Record<number, (document: Record<string, unknown>) => Record<string, unknown>> = {
  /** Version 0 kept the units at the top, and the heights of nodes in millimetres without a ground. */
  0: ({ units, nodes, ...rest }) => ({
    ...rest,
    version: 1,
    standards: { pipes: 'metric', threads: 'parallel', volts: 230, hertz: 50, currency: '', ...rest.standards as object, units },
    nodes: (nodes as Record<string, unknown>[]).map(({ baseMm, ...node }) => ({ groundM: 0, ...node, baseM: (baseMm as number) / 1000 })),
  }),
}
