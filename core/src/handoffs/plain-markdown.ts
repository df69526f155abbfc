/** Text from telemetry could hold anything: no markup of ours may come from it. */
export const plainMarkdown = (text: string): string => text.replace(/[\\`*_{}[\]()#+!|<>~]/g, '\\$&');
