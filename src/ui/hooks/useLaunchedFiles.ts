'use client';

import { useEffect, useEffectEvent } from 'react';

/** Files that the system opens the installed application with (WICG Launch Handler, File Handling). */
interface LaunchQueue {
  setConsumer(
    consumer: (launched: { readonly files?: readonly FileSystemFileHandle[] }) => void,
  ): void;
}

/** Calls with each file that is opened by a double click, where the system allows that. */
export function useLaunchedFiles(onFile: (file: File) => void): void {
  const opened = useEffectEvent(onFile);
  useEffect(() => {
    const { launchQueue } = window as { readonly launchQueue?: LaunchQueue };
    launchQueue?.setConsumer(({ files = [] }) => {
      void (async () => {
        for (const handle of files) {
          opened(await handle.getFile());
        }
      })();
    });
  }, []);
}
