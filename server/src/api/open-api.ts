export function openApi(url: string): object { return { openapi: '3.1.0', info: { title: 'Top Lens', version: '0.1.0' }, servers: [{ url }], paths: {} }; }
