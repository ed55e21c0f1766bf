/** Carries out an act in the page's next turn, without the rest that timers put between turns. Returns how to let it be. */
export function inNextTurn(act: () => void): () => void {
  const { port1, port2 } = new MessageChannel();
  port1.onmessage = () => {
    port1.close();
    act();
  };
  port2.postMessage(null);
  return () => {
    port1.close();
  };
}
