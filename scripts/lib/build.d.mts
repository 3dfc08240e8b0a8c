export function ensureNpm(): Promise<void>
export function ensureBuild(): Promise<string>
