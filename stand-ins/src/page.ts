/** Text as HTML. */
export const escape = (text: string): string => text.replace(/[&<>"']/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** A button that sends one command to the device itself. */
export function commandButton(label: string, fields: Record<string, string | number>, pressed = false): string {
  const inputs = Object.entries(fields)
    .map(([name, value]) => `<input type="hidden" name="${escape(name)}" value="${escape(String(value))}">`)
    .join('');
  return `<form method="post" action="/">${inputs}<button${pressed ? ' aria-pressed="true"' : ''}>${escape(label)}</button></form>`;
}

/** The page of a stand-in: plain, and plainly simulated. */
export const devicePage = (name: string, body: string): string => `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><title>${escape(name)}</title>
<style>
body { margin: 0 auto; max-width: 26rem; padding: 16px; background: #14160f; color: #f1f2e6; font: 16px/1.4 system-ui, sans-serif; }
form { display: inline-block; margin: 0 8px 8px 0; }
button { min-height: 48px; padding: 8px 16px; font: inherit; color: inherit;
  background: none; border: 1px solid #5c614d; border-radius: 4px; }
button[aria-pressed] { border: 2px solid #cbdc4e; font-weight: bold; }
.press button { background: #cbdc4e; color: #14160f; border: 0; font-weight: bold; min-width: 14rem;
  clip-path: polygon(0 0, calc(100% - 14px) 0, 100% 14px, 100% 100%, 0 100%); }
output { display: block; font-size: 44px; font-variant-numeric: tabular-nums; } p { color: #b4b8a3; }
</style></head><body><main><h1>${escape(name)}</h1>
<p>A simulated device in a simulated scene: the terrace at Orlabach, low sun behind the couple, snow on the ground.</p>
${body}</main></body></html>`;
