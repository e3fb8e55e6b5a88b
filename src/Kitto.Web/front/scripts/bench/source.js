// Where readings come from, by one small interface: open(take, lost) gives lines of text and says when they stop; the rest does not know which it is.

/** A stream of lines from a scale that is reached on this machine. */
function stream(address) {
  return {
    open(take, lost) {
      const source = new EventSource(address + '/lines');
      source.addEventListener('message', event => take(event.data));
      source.addEventListener('error', () => lost('No scale answers at ' + address + '.'));
      return () => source.close();
    },
  };
}

/** A scale on a serial line or USB of this browser. The browser asks which, once. */
function serial(baud) {
  return {
    needsTap: true,
    async ask() {
      await navigator.serial.requestPort();
    },
    open(take, lost) {
      let going = true;
      let reader = null;
      (async () => {
        const [port] = await navigator.serial.getPorts();
        if (!port) return lost('Connect the scale.', true);
        try {
          await port.open({ baudRate: baud });
          let rest = '';
          const decoder = new TextDecoder();
          reader = port.readable.getReader();
          while (going) {
            const { value, done } = await reader.read();
            if (done) break;
            rest += decoder.decode(value, { stream: true });
            const lines = rest.split(/\r\n|\r|\n/);
            rest = lines.pop().slice(-200);
            for (const line of lines) take(line);
          }
          reader.releaseLock();
          await port.close();
        } catch {
          /* the cable is out */
        }
        if (going) lost('The scale is gone. Type what it shows, or connect it again.', true);
      })();
      return () => {
        going = false;
        reader?.cancel().catch(() => {});
      };
    },
  };
}

/** The source of a house; null where readings are typed. */
export function source({ from, address, baud }) {
  if (from === 'stream' && address) return stream(address);
  if (from === 'serial' && 'serial' in navigator) return serial(Number(baud) || 9600);
  return null;
}
