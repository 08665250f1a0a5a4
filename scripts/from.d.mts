export function fromOf(remoteAddress: string, headers: Record<string, string | string[] | undefined>): string | undefined;
