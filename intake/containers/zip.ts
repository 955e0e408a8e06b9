import { unzipSync } from 'fflate'
import { Refusal } from '../../core/refusal'
import { LIMITS } from '../limits'

/**
 * Unpacks the parts of a zipped workbook that are wanted.
 *
 * Sizes are checked before anything is unpacked, and no part can grow beyond the size it states: a small
 * file that unpacks to gigabytes is refused and never held.
 *
 * @throws Refusal for a damaged file, and for one that unpacks too far
 */
export function unpack(
  bytes: Uint8Array,
  isWanted: (name: string) => boolean,
): Record<string, Uint8Array> {
  let unpacked = 0
  let packed = 0
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize, size }) => {
        if (!isWanted(name)) return false
        unpacked += originalSize
        packed += size
        const tooDense = unpacked > 20e6 && unpacked > LIMITS.packing * packed
        if (unpacked > LIMITS.unpackedBytes || tooDense) {
          throw new Refusal(
            'The file unpacks to far more than a sheet of figures holds, and was not opened.',
            'file',
          )
        }
        return true
      },
    })
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('The file is damaged or cut short: it cannot be unpacked.', 'file')
  }
}
