/** A text as HTML: whatever is in it, nothing of it becomes markup. */
export const escapedHtml = (text: string): string => text.replace(/[&<>"']/g, (char) => `&#${char.charCodeAt(0)};`);
