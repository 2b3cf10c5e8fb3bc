/** What a page throws reaches the server's log. Its answer names the line there, for a person to tell. */
export async function report(where: string, error: unknown, trace = ''): Promise<string | null> {
  const thrown = error instanceof Error ? error : new Error(String(error));
  try {
    const answer = await fetch('/api/trouble', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        where,
        what: `${thrown.name}: ${thrown.message}`,
        trace: `${thrown.stack ?? ''}\n${trace}`,
      }),
      keepalive: true,
    });
    return answer.ok ? answer.headers.get('X-Request-Id') : null;
  } catch {
    return null;
  }
}

/** What no boundary sees: errors in answers to events, promises that nobody waits for. */
export function reportTheRest(): void {
  window.addEventListener('error', (event) => {
    if (event.error) void report(window.location.pathname, event.error);
  });
  window.addEventListener('unhandledrejection', (event) => void report(window.location.pathname, event.reason));
}
