import { postDemo } from '@/server/demo';
import { answer } from '@/server/http';

export const POST = () => answer(() => postDemo());
