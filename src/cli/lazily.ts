/**
 * An action whose code is loaded only when it runs, so that help comes at once. The command line hands over words that it
 * has parsed by its own options; their types are those of the action.
 */
export const lazily =
  <Args extends unknown[]>(load: () => Promise<(...args: Args) => unknown>) =>
  async (...args: unknown[]): Promise<void> => {
    const action = await load()
    await action(...(args as Args))
  }
