import '@fontsource/fira-sans/400.css';
import '@fontsource/fira-sans/600.css';
import '@fontsource/vollkorn/600.css';
import './globals.css';
import type { Metadata } from 'next';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { database } from '@/data/database';
import { getSettings } from '@/data/settings';
import { Header } from '@/ui/kit/header';
import { SettingsProvider } from '@/ui/kit/settings';
import { TapeProvider } from '@/ui/kit/tape';

export const metadata: Metadata = { title: { default: 'Fovea', template: '%s – Fovea' }, icons: { icon: '/icon.svg' } };

export default async function Layout({ children }: { children: ReactNode }) {
  // The policy's nonce is new for every request, so nothing is prepared beforehand.
  await connection();
  const settings = getSettings(database());
  return (
    <html lang="en-GB" data-theme={settings.theme}>
      <body className="bg-base-100 text-base-content min-h-screen flex flex-col">
        <SettingsProvider initial={settings}>
          <TapeProvider>
            <Header />
            {children}
          </TapeProvider>
        </SettingsProvider>
      </body>
    </html>
  );
}
