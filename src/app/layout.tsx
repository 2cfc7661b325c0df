import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/fraunces';
import '@/ui/theme/tokens.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/theme/providers';

export const metadata: Metadata = {
  icons: { icon: '/mark.svg' },
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data-scheme" defaultMode="system" nonce={nonce} />
        <AppRouterCacheProvider options={{ nonce }}>
          <Providers>
            <a className="skip" href="#main">
              To the content
            </a>
            {children}
          </Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
