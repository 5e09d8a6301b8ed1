export function serve(): Promise<{ address: string; stop: () => Promise<void> }>
