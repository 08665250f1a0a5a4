import { answer } from '@/server/http';
import { exportStore, importStore } from '@/server/store';

export const GET = (request: Request) => answer(() => exportStore(request));
export const POST = (request: Request) => answer(() => importStore(request));
