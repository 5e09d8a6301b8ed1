export function startDatabase(
  folder: string,
  options?: { quiet?: boolean },
): Promise<{ url: string; stop: () => Promise<void> }>
