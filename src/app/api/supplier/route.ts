import { readSupplier } from '@/server/buying';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readSupplier());
