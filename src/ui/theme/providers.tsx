'use client';
import { useEffect, type ReactNode } from 'react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { SnackbarProvider } from './message-bar';
import styles from './providers.module.css';
import { theme } from './theme';

/** Theme and messages for every page. */
export function Providers({ children }: { children: ReactNode }) {
  // Before this a click is lost; the journeys wait for it.
  useEffect(() => void (document.documentElement.dataset['live'] = 'yes'), []);
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <SnackbarProvider
        maxSnack={3}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        // Above the bars at the bottom of pages: what was done last must not lie over what is to be done next.
        classes={{ containerAnchorOriginBottomLeft: styles.messages ?? '' }}
        autoHideDuration={6000}
      >
        {children}
      </SnackbarProvider>
    </ThemeProvider>
  );
}
