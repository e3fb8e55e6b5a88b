// Codes: a hand scanner types them fast and ends with Enter; a camera reads them where the page is allowed to see.

/** Collects what is typed faster than a hand types; calls take with the code at Enter. Says whether a key belonged to one. */
export function scanner(take, slowest = 120) {
  let text = '';
  let last = 0;
  return (key, at) => {
    const fast = at - last <= slowest;
    last = at;
    if (key === 'Enter') {
      const code = text;
      text = '';
      if (fast && code.length >= 4) {
        take(code);
        return true;
      }
      return false;
    }
    // No code has a space in it: that is the one key, however soon it is pressed again.
    if (key === ' ') text = '';
    if (key.length !== 1 || key === ' ') return false;
    text = fast || text === '' ? (fast ? text + key : key) : key;
    return fast && text.length > 1;
  };
}

/** Looks through the camera until a code is seen or it is closed. */
export async function look(video, take) {
  const Detector = 'BarcodeDetector' in globalThis ? globalThis.BarcodeDetector : (await import('/lib/barcodes.js')).default;
  const camera = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
  video.srcObject = camera;
  await video.play();
  const detector = new Detector({ formats: ['qr_code', 'ean_13', 'ean_8', 'code_128', 'data_matrix'] });
  let open = true;
  const end = () => {
    open = false;
    for (const track of camera.getTracks()) track.stop();
  };
  (async () => {
    while (open) {
      const [found] = await detector.detect(video).catch(() => []);
      if (found && open) {
        end();
        take(found.rawValue);
        return;
      }
      await new Promise(resolve => setTimeout(resolve, 150));
    }
  })();
  return end;
}
