/** Run once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { endGently } = await import('./served/ending');
    const { limitUploadRate: paceUploads } = await import('./served/rateLimiter');
    endGently();
    paceUploads();
  }
}
