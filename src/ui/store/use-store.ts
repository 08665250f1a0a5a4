'use client';

import { useCallback, useEffect, useState } from 'react';
import type { KeptStock, KeptWare, Stock, Ware } from '@/core/store';
import { send, UNREACHED } from '@/ui/kit/api';

/** The store as a page has it. */
export type StoreData = { wares: KeptWare[]; stock: KeptStock[]; carriage: Record<string, number>; moves: { at: string; why: string }[] };

/**
 * The store, and ways to change it: each says what is wrong, or null.
 *
 * @param [first] as the server has it already
 */
export function useStore(first: StoreData | null = null) {
  const [store, setStore] = useState(first);
  const [wrong, setWrong] = useState<string | null>(null);
  const look = useCallback(async (): Promise<void> => {
    try {
      const response = await fetch('/api/store');
      if (response.ok) setStore((await response.json()) as StoreData);
      setWrong(response.ok ? null : 'The store cannot be read just now.');
    } catch {
      setWrong(UNREACHED);
    }
  }, []);
  useEffect(() => {
    if (!first) void look();
  }, [first, look]);
  const change = async <T>(
    method: 'POST' | 'PUT' | 'DELETE',
    url: string,
    body?: unknown,
  ): Promise<{ message: string | null; data?: T }> => {
    try {
      const answer = await send<T>(method, url, body);
      if (!answer.ok) return { message: answer.data.message ?? 'That could not be done.' };
      await look();
      return { message: null, data: answer.data };
    } catch {
      return { message: UNREACHED };
    }
  };
  return {
    store,
    wrong,
    look,
    keepWare: (ware: Ware, id?: string) =>
      change<KeptWare>(id ? 'PUT' : 'POST', id ? `/api/store/wares/${id}` : '/api/store/wares', { ware }),
    removeWare: (id: string) => change('DELETE', `/api/store/wares/${id}`),
    keepStock: (stock: Stock, id?: string) =>
      change<KeptStock>(id ? 'PUT' : 'POST', id ? `/api/store/stock/${id}` : '/api/store/stock', { stock }),
    removeStock: (id: string) => change('DELETE', `/api/store/stock/${id}`),
    importTable: (table: string, text: string) => change<{ rows: number }>('POST', `/api/store/csv?table=${table}`, text),
    setCarriage: (supplier: string, fee: number) => change('PUT', '/api/store/carriage', { supplier, fee }),
  };
}
export type StoreHook = ReturnType<typeof useStore>;
