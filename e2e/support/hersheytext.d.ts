declare module 'hersheytext' {
  export function renderTextArray(text: string, options: { font: string }): unknown[];
}
