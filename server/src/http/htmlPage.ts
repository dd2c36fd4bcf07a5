/** Text as it stands in a page. */
export const escape = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A page of the server's own, without a script, in the look of the application. `body` and `style` are markup: what others wrote is escaped in them. */
export const htmlPage = (title: string, style: string, body: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>${escape(title)}</title>
<style>
  @font-face { font-family: Text; src: url(/faces/text.ttf); font-display: swap; }
  @font-face { font-family: Title; src: url(/faces/title.ttf); font-display: swap; }
  :root { --paper: #d9dee5; --ink: #1a2947; --accent: #a8281a; --card: #f3f5f9; --edge: #b6bfcb; --quiet: #4a5874; }
  @media (prefers-color-scheme: dark) {
    :root { --paper: #12161d; --ink: #dde4f0; --accent: #ff9d8d; --card: #1c222c; --edge: #3d4858; --quiet: #a9b5c8; }
  }
  body { margin: 0; background: var(--paper); color: var(--ink); font: 1.125rem/1.5 Text, system-ui, sans-serif; }
  h1 { font: 600 1.5rem/1.3 Title, Georgia, serif; border-bottom: 2px solid var(--accent); padding-bottom: 0.5rem; }
${style}
</style>
</head>
<body><main>
<h1>${escape(title)}</h1>
${body}
</main></body>
</html>
`;
