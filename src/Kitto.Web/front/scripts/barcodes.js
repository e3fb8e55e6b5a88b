// Reads codes where the browser has no reader of its own; its engine comes from here, never from the network.
import { BarcodeDetector, prepareZXingModule } from 'barcode-detector/ponyfill';

prepareZXingModule({ overrides: { locateFile: (path, prefix) => (path.endsWith('.wasm') ? '/lib/zxing_reader.wasm' : prefix + path) } });
export default BarcodeDetector;
