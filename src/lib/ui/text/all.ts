import { brief, plan } from './brief';
import { builds } from './builds';
import { catalogue, compare, editor, identify } from './catalogue';
import { disks } from './disks';
import { fit } from './fit';
import { text } from './index';
import { decode, notebook } from './notebook';
import { sheet } from './sheet';
import { shelf } from './shelf';

/** Every sentence of the interface, for whoever looks through them. */
export const allText = {
  ...text,
  brief,
  builds,
  catalogue,
  compare,
  disks,
  editor,
  fit,
  identify,
  plan,
  sheet,
  shelf,
  decode,
  notebook
} as const;
