import { getBackup } from '@/server/backups';
import { answer } from '@/server/http';

type Context = { params: Promise<{ name: string }> };

export const GET = (_: Request, { params }: Context) => answer(async () => getBackup((await params).name));
