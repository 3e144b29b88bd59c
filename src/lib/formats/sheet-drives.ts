import { adapterDue, chainsOf, dueOf, isDue, type Chain } from '../core/cabling';
import { imageOf, kitOf } from '../core/kit';
import type { Build, PartSet } from '../core/model';
import { systemOf } from '../core/software';
import { dueWords, sheetWords as words } from '../words';

/** A cable with its drives, as they stand on the bench sheet. */
export interface SheetCable {
  title: string;
  /** One line a drive; `isOpen`: something is still to be done or looked at. */
  drives: { text: string; isOpen: boolean }[];
}

/** How every drive hangs and is jumpered, and what a floppy emulator is set to. */
export function sheetDrives(build: Build, parts: PartSet): SheetCable[] {
  const kit = kitOf(build, parts);
  const { dos } = systemOf(build.brief.os);
  return chainsOf(kit).map((chain): SheetCable => ({
    title: words.cable(chain.controller.title, chain.ribbon, chain.ribbonTold),
    drives: [
      ...chain.drives.map((p) => {
        const due = dueOf(p);
        const image = imageOf(kit, { drive: p.drive, controller: chain.controller }, dos);
        return {
          text: words.plugged(
            p.drive.title,
            p.isOutside ? null : p.plug,
            dueWords(chain.family, isDue(due) ? due : p.want),
            isDue(due),
            image
          ),
          isOpen: isDue(due) || (image !== null && !(image.told && image.works.includes(image.kib)))
        };
      }),
      ...ownEnd(chain)
    ]
  }));
}

/** The host adapter, which is one end of a SCSI bus or none. */
function ownEnd(chain: Chain): SheetCable['drives'] {
  if (!chain.adapter) return [];
  const isOpen = isDue(adapterDue(chain));
  return [{ text: words.adapter(chain.adapter.want, isOpen), isOpen }];
}
