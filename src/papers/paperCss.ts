/** How a paper looks as a file of its own; the app has the same rules in its own colors. */
export const paperCss = `
:root { color-scheme: light; }
body { margin: 2rem auto; max-width: 52rem; padding: 0 1rem; background: #fff; color: #1d1b16; font: 15px/1.45 system-ui, sans-serif; }
.paper p { margin: 0 0 .15rem; }
.paper-title { font-size: 1.6rem; margin: 0; }
.paper h2 { font-size: 1.15rem; border-bottom: 2px solid currentColor; margin: 1.6rem 0 .4rem; }
.paper header h2 { border: 0; margin: 0; font-size: 1.6rem; }
.paper h3 { font-size: 1rem; margin: .8rem 0 .2rem; }
.paper table { width: 100%; border-collapse: collapse; table-layout: fixed; }
.paper caption { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
.paper th, .paper td { text-align: left; vertical-align: top; padding: .25rem .6rem .25rem 0; border-top: 1px solid #bbb; overflow-wrap: anywhere; font-weight: normal; }
.paper thead th { border: 0; color: #555; font-size: .85rem; }
.paper-soft { color: #555; font-size: .88rem; }
.paper-strong, .paper-harm, .paper-well, .paper-watch { font-weight: bold; }
.paper-harm { text-decoration: underline; text-decoration-thickness: 2px; }
.paper-watch { text-decoration: underline dotted; }
.paper-drawing svg { width: 100%; height: auto; }
.paper-signature { break-inside: avoid; margin: .6rem 0; }
.paper-signature svg { width: 16rem; border-bottom: 1px solid currentColor; }
.paper-qr { width: 13rem; height: 13rem; }
.paper-owner section p { margin: .5rem 0; font-size: 1.1rem; }
.paper-card { font-size: .8rem; columns: 3 15rem; column-gap: 1.2rem; }
.paper-card header { column-span: all; }
.paper-card section { break-inside: avoid-column; }
.paper-card h2 { margin-top: .6rem; }
.paper tr { break-inside: avoid; }
@media print { body { margin: 0; max-width: none; font-size: 11px; } .paper-new { break-before: page; } }
`
