/** How a student's copy looks on its own: ink on paper, and by lamplight where the system asks for it. */
export const COPY_STYLE = `
:root { color-scheme: light dark; --paper: #faf7f0; --sheet: #fff; --rule: #e4ddcf; --ink: #22263a; --soft: #565b70; --green: #1f6f68; }
@media (prefers-color-scheme: dark) { :root { --paper: #1b1d26; --sheet: #23262f; --rule: #3c404d; --ink: #ece7da; --soft: #b3b1b8; --green: #7cc7bd; } }
* { box-sizing: border-box; }
body { margin: 0; background: var(--paper); color: var(--ink); font: 16px/1.55 system-ui, sans-serif; }
main { max-width: 720px; margin: 0 auto; padding: 32px 20px 64px; }
h1, h2 { font-family: Georgia, "Liberation Serif", serif; line-height: 1.2; }
h1 { font-size: 27px; margin: 0 0 4px; }
h2 { font-size: 21px; margin: 0 0 12px; }
h3 { font-size: 15px; margin: 18px 0 4px; }
header p { margin: 0; color: var(--soft); font-size: 14.5px; }
section { background: var(--sheet); border: 1px solid var(--rule); padding: 36px 40px; margin-top: 24px; }
p { margin: 4px 0; }
.words, .words p, q { font-family: Georgia, "Liberation Serif", serif; font-size: 16.5px; white-space: pre-wrap; }
div.words { white-space: normal; margin-bottom: 14px; }
.soft { color: var(--soft); font-size: 14px; }
.right { text-align: right; }
.ends { display: flex; justify-content: space-between; gap: 20px; font-variant-numeric: tabular-nums; }
.ends > :last-child { white-space: nowrap; }
.row { border-top: 1px solid var(--rule); padding: 6px 0; }
.total { border-top: 2px solid var(--ink); padding-top: 6px; margin-top: 10px; font-weight: normal; font-size: 16px; }
.notes { list-style: none; margin: 6px 0 0; padding: 0; }
.notes li { border-left: 3px solid var(--rule); padding-left: 12px; margin-top: 8px; }
.notes p { margin: 2px 0; }
.struck { text-decoration: line-through; }
q { color: var(--soft); }
.items { list-style: none; margin: 0; padding: 0 0 0 16px; color: var(--soft); font-size: 14px; }
summary { cursor: pointer; color: var(--green); font-size: 14.5px; }
a { color: var(--green); }
.file { margin-top: 14px; }
audio, video, img { max-width: 100%; }
@media print { body { background: none; } section { border: 0; padding: 12px 0; break-inside: auto; } }
`;
