'use client';

import { useCallback, useEffect, useState } from 'react';
import type { KeptLay, LayGroup } from '@/core/nesting';
import { send, UNREACHED } from '@/ui/kit/api';
import type { KeptRecord } from '@/ui/lay/lay-panel';

/** What is cut together, as the server has it. */
export type CutView = {
  scope: string;
  name: string;
  due: string;
  pieces: { id: string; revision: number; name: string; count: number }[];
  groups: LayGroup[];
  lays: KeptRecord[];
};

/** What is cut together, its lays, and what is done with them. */
export function useTogether(scope: string) {
  const [view, setView] = useState<CutView | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [says, setSays] = useState<string[]>([]);
  const look = useCallback(async () => {
    try {
      const response = await fetch(`/api/cut/${encodeURIComponent(scope)}`);
      const data = (await response.json()) as CutView & { message?: string };
      if (response.ok) setView(data);
      setWrong(response.ok ? null : (data.message ?? 'It cannot be read just now.'));
    } catch {
      setWrong(UNREACHED);
    }
  }, [scope]);
  useEffect(() => void look(), [look]);
  const change = async <T>(
    method: 'POST' | 'PUT' | 'DELETE',
    path: string,
    body?: unknown,
  ): Promise<{ message: string | null; data?: T }> => {
    try {
      const answer = await send<T>(method, `/api/cut/${encodeURIComponent(scope)}/lays${path}`, body);
      if (!answer.ok) return { message: answer.data.message ?? 'That could not be done.' };
      await look();
      return { message: null, data: answer.data };
    } catch {
      return { message: UNREACHED };
    }
  };
  const keep = async (lay: KeptLay): Promise<string | null> => (await change('POST', '', { lay })).message;
  const act = async (id: string, what: 'choose' | 'cut' | 'remove'): Promise<void> => {
    const { message, data } =
      what === 'remove'
        ? await change('DELETE', `/${id}`)
        : await change<{ says?: string[] }>('PUT', `/${id}`, what === 'cut' ? { cut: true } : { chosen: true });
    setWrong(message);
    setSays((data as { says?: string[] } | undefined)?.says ?? []);
  };
  return { view, wrong, says, keep, act, look };
}
