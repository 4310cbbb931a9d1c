import { v7 as uuidv7 } from 'uuid';

const DEVICE = 'riffle-device';
const COUNT = 'riffle-taps';

/**
 * Which device is tapped, and its how-manieth tap this is: their order when the clock of the device is put right between
 * two of them. Counted for all tabs together; two that tap in the same instant may count the same, and then time decides.
 */
export function nextTap(): { deviceId: string; deviceCount: number } {
  const deviceId = localStorage.getItem(DEVICE) ?? uuidv7();
  const deviceCount = Number(localStorage.getItem(COUNT) ?? -1) + 1;
  localStorage.setItem(DEVICE, deviceId);
  localStorage.setItem(COUNT, String(deviceCount));
  return { deviceId, deviceCount };
}
