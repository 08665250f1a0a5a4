import { answer } from '@/server/http';
import { readStore } from '@/server/store';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readStore());
