import '@fontsource/fira-sans/400.css';
import '@fontsource/fira-sans/600.css';
import '@fontsource/vollkorn/600.css';
import './globals.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { database } from '@/data/database';
import { getSettings, type Settings } from '@/data/settings';
import { troubleOf, type WorkshopTrouble } from '@/data/trouble';
import { lastBackup } from '@/server/backups';
import { whoIs } from '@/server/entrance/entrance';
import { eventLog } from '@/server/event-log';
import { Header } from '@/ui/kit/header';
import { setDialect } from '@/ui/dialect/current';
import { SettingsProvider } from '@/ui/kit/settings';
import { TapeProvider } from '@/ui/kit/tape';
import { Trouble } from '@/ui/kit/trouble';

export const metadata: Metadata = { title: { default: 'Fovea', template: '%s – Fovea' }, icons: { icon: '/icon.svg' } };

/** The workshop's settings, or why the workshop cannot be opened. */
function opened(): Settings | WorkshopTrouble {
  try {
    return getSettings(database());
  } catch (error) {
    const trouble = troubleOf(error);
    if (!trouble) throw error;
    eventLog().error({ trouble: trouble.kind, err: trouble.cause }, trouble.title);
    return trouble;
  }
}

export default async function Layout({ children }: { children: ReactNode }) {
  // The policy's nonce is new for every request, so nothing is prepared beforehand.
  await connection();
  const settings = opened();
  setDialect(settings instanceof Error ? 'british' : settings.words);
  if (settings instanceof Error)
    return (
      <html lang="en-GB" data-theme="day">
        <body className="bg-base-100 text-base-content min-h-screen flex flex-col">
          <Trouble title={settings.title} cure={settings.cure} backup={lastBackup()} />
        </body>
      </html>
    );
  const who = whoIs(database(), await headers());
  return (
    <html lang={settings.words === 'british' ? 'en-GB' : 'en-US'} data-theme={settings.theme}>
      <body className="bg-base-100 text-base-content min-h-screen flex flex-col">
        <SettingsProvider initial={settings}>
          <TapeProvider>
            <Header who={who === 'own machine' ? who : who && { name: who.name, role: who.role }} />
            {children}
          </TapeProvider>
        </SettingsProvider>
      </body>
    </html>
  );
}
