export function migrate(url: string): Promise<void>
