declare module '*.yaml?raw' {
  const text: string
  export default text
}

interface ImportMeta {
  /** Vite's own: the files that a pattern names, by their names. */
  glob<T>(pattern: string, options: { query: string; import: 'default'; eager: true }): Record<string, T>
}
