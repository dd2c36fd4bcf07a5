const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A page without a script, for guests whose link does not lead anywhere (any more). */
export const plainPage = (title: string, text: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>${escape(title)}</title>
<style>
  @font-face { font-family: Text; src: url(/faces/text.ttf); font-display: swap; }
  @font-face { font-family: Title; src: url(/faces/title.ttf); font-display: swap; }
  body { margin: 0; min-height: 100vh; display: grid; place-content: center; background: #d9dee5; color: #1a2947; font: 1.125rem/1.5 Text, system-ui, sans-serif; }
  main { max-width: 26rem; padding: 2rem; }
  h1 { font: 600 1.5rem/1.3 Title, Georgia, serif; border-bottom: 2px solid #a8281a; padding-bottom: 0.5rem; }
  @media (prefers-color-scheme: dark) { body { background: #12161d; color: #dde4f0; } h1 { border-color: #ff9d8d; } }
</style>
</head>
<body><main><h1>${escape(title)}</h1><p>${escape(text)}</p></main></body>
</html>
`;
