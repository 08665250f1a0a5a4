import { postBackup, readBackups } from '@/server/backups';
import { answer } from '@/server/http';

export const GET = () => answer(() => readBackups());
export const POST = () => answer(() => postBackup());
