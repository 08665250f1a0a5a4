import { health } from '@/server/health';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => health());
