import { putDiary, readDiary } from '@/server/diary';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readDiary());
export const PUT = (request: Request) => answer(() => putDiary(request));
