/** What of the browser's Bluetooth is used here; the library of the language does not know it yet. */
interface BluetoothCharacteristic extends EventTarget {
  readonly properties: { readonly notify: boolean; readonly indicate: boolean };
  readonly value?: DataView;
  readValue(): Promise<DataView>;
  startNotifications(): Promise<unknown>;
}

interface BluetoothService {
  getCharacteristic(name: string): Promise<BluetoothCharacteristic>;
}

interface BluetoothServer {
  readonly connected: boolean;
  connect(): Promise<BluetoothServer>;
  disconnect(): void;
  getPrimaryService(name: string): Promise<BluetoothService>;
}

interface BluetoothDevice extends EventTarget {
  readonly name?: string;
  readonly gatt?: BluetoothServer;
}

interface Navigator {
  readonly bluetooth?: {
    requestDevice(what: {
      filters: { services: string[] }[];
      optionalServices: string[];
    }): Promise<BluetoothDevice>;
  };
}
