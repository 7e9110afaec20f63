/** Readings from a digital tape, as a paired instrument would send them: to every open check of this browser. */
const NAME = "young-ribbon digital tape";

export interface Reading {
  text: string;
  number: number;
}

/** Send a reading. */
export function sendReading(reading: Reading): void {
  const channel = new BroadcastChannel(NAME);
  channel.postMessage(reading);
  channel.close();
}

/** Hear readings until the function that comes back is called. */
export function hearReadings(heard: (reading: Reading) => void): () => void {
  const channel = new BroadcastChannel(NAME);
  channel.onmessage = (event) => heard(event.data as Reading);
  return () => channel.close();
}
