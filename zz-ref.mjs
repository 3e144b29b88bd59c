// src/lib/core/model/sure.ts
function sure(value, what) {
  if (value === null || value === void 0) throw new Error(`${what} is missing`);
  return value;
}
function entryOf(map, key) {
  const value = map.get(key);
  if (value === void 0) throw new Error(`no entry for ${String(key)}`);
  return value;
}
function lastOf(list2) {
  if (!list2.length) throw new Error("empty list");
  return there(list2[list2.length - 1]);
}
function byId(list2, id2) {
  return sure(
    list2.find((x) => x.id === id2),
    id2
  );
}
function there(value) {
  if (value === void 0) throw new Error("nothing there");
  return value;
}

// src/lib/core/model/hex.ts
function parseHex(text) {
  const match = /^(?:0x)?([0-9a-f]{1,8})h?$/i.exec(text.trim());
  return match ? parseInt(there(match[1]), 16) : null;
}
function hex(value, digits = 3) {
  return value.toString(16).toUpperCase().padStart(digits, "0") + "h";
}
function hexRange(base, length, digits = 3) {
  return length <= 1 ? hex(base, digits) : `${hex(base, digits)}\u2013${hex(base + length - 1, digits)}`;
}

// src/lib/core/model/address.ts
import { z } from "zod";

// src/lib/core/model/flaw.ts
var finds = (flaw) => flaw;
var atMost = (most) => [
  (record) => Object.keys(record).length <= most,
  { error: finds("too-many-entries"), params: { most } }
];
function pathText(path) {
  return path.reduce(
    (text, key) => typeof key === "number" ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    ""
  );
}
function schemaFlaws(error) {
  const out2 = [];
  const visit = (issues, prefix) => {
    for (const issue of issues) {
      const path = [...prefix, ...issue.path];
      if (issue.code === "invalid_union" && issue.errors.length) {
        const best = [...issue.errors].sort((a, b) => depth(b) - depth(a) || a.length - b.length)[0];
        if (best?.length) {
          visit(best, path);
          continue;
        }
      }
      const params = issue.code === "custom" && issue.params || {};
      out2.push({ path: pathText(path), flaw: { is: "schema", message: issue.message, params } });
    }
  };
  visit(error.issues, []);
  return out2.slice(0, 50);
}
function depth(issues) {
  return Math.max(0, ...issues.map((issue) => issue.path.length));
}

// src/lib/core/model/address.ts
var Address = z.union([
  z.number().int().min(0).max(4294967295),
  z.string().transform((text, ctx) => {
    const value = parseHex(text);
    if (value === null) {
      ctx.addIssue({ code: "custom", message: finds("no-hex"), params: { text } });
      return z.NEVER;
    }
    return value;
  })
]);

// src/lib/core/model/pictures.ts
var pictures = [
  "text",
  "mono-graphics",
  "cga",
  "ega",
  "mcga",
  "vga",
  "640x480x8",
  "800x600x8",
  "800x600x16",
  "1024x768x8",
  "3d"
];

// src/lib/core/model/base.ts
import { z as z2 } from "zod";
var Id = z2.string().min(1).max(64).regex(/^[a-z0-9][a-z0-9.-]*$/, finds("no-id"));
var Text = z2.string().max(2e3);
var oneLine = (text) => text.normalize("NFC").replace(/\s*[\p{Cc}\p{Zl}\p{Zp}]+\s*/gu, " ").replace(/\p{Cf}/gu, "");
var line = (most) => z2.string().overwrite(oneLine).max(most);
var Label = line(120).min(1);
var Name = line(120).trim().min(1, finds("no-name"));

// src/lib/core/model/part.ts
import { z as z6 } from "zod";

// src/lib/core/model/drive-facts.ts
import { z as z3 } from "zod";

// src/lib/core/refusal.ts
var Refusal = class extends Error {
  constructor(flaw) {
    super(JSON.stringify(flaw));
    this.flaw = flaw;
  }
  flaw;
};

// src/lib/core/storage/geometry.ts
var SECTOR = 512;
var GeometryError = class extends Refusal {
};
var whole = (n2, low, high, what) => {
  if (!Number.isInteger(n2) || n2 < low || n2 > high)
    throw new GeometryError({ is: "outside", what, n: n2, low, high });
};
function checkGeometry({ cylinders, heads, sectors }) {
  whole(cylinders, 1, 65536, "cylinders");
  whole(heads, 1, 256, "heads");
  whole(sectors, 1, 255, "sectors a track");
}
function sectorsOf(geometry) {
  checkGeometry(geometry);
  return geometry.cylinders * geometry.heads * geometry.sectors;
}
function sizeWords(sectors) {
  const bytes4 = sectors * SECTOR;
  const unit = (n2, per) => (n2 / per).toLocaleString("en", { maximumFractionDigits: 2 });
  return bytes4 >= 1e9 ? `${unit(bytes4, 1e9)} GB (${unit(bytes4, 2 ** 30)} GiB)` : `${unit(bytes4, 1e6)} MB (${unit(bytes4, 2 ** 20)} MiB)`;
}

// src/lib/core/storage/translation.ts
var biosTranslations = [
  "none",
  "bit-shift",
  "bit-shift-128",
  "revised",
  "revised-always",
  "lba",
  "lba-by-cylinders",
  "lba-rounded",
  "large",
  "automatic"
];
var translations = [...biosTranslations, "scsi"];
var INT13 = { cylinders: 1024, heads: 256, sectors: 63 };
var shiftBy = (cylinders) => {
  let k = 1;
  while (k < 16 && cylinders > 1024 * k) k *= 2;
  return k;
};
function shift({ cylinders, heads, sectors }) {
  const k = shiftBy(cylinders);
  return { cylinders: Math.min(1024, Math.floor(cylinders / k)), heads: Math.min(256, heads * k), sectors };
}
function halve({ cylinders, heads, sectors }) {
  let [c, h] = [cylinders, heads];
  while (c > 1024 && h * 2 <= 128) [c, h] = [Math.floor(c / 2), h * 2];
  return { cylinders: Math.min(1024, c), heads: h, sectors };
}
var fifteen = ({ cylinders, heads, sectors }) => heads === 16 ? { cylinders: Math.floor(cylinders * 16 / 15), heads: 15, sectors } : { cylinders, heads, sectors };
function lbaHeads(total) {
  for (const heads of [16, 32, 64, 128]) if (total <= 1024 * heads * 63) return heads;
  return 255;
}
function roundedHeads(total) {
  const cylinders = Math.floor(Math.floor(total / 63) / 1024);
  for (const heads of [16, 32, 64, 128]) if (cylinders <= heads) return heads;
  return 255;
}
function large({ cylinders, heads, sectors }) {
  let [c, h] = [cylinders, heads];
  while (c > 1024 && h <= 127) [c, h] = [Math.floor(c / 2), h * 2];
  return { cylinders: Math.min(1024, c), heads: h, sectors };
}
var MOST_LARGE = 131072;
var byTotal = (total, heads, sectors = 63) => ({
  cylinders: Math.max(1, Math.min(1024, Math.floor(total / (heads * sectors)))),
  heads,
  sectors
});
var rules = {
  none: (p) => ({ ...p, cylinders: Math.min(1024, p.cylinders) }),
  "bit-shift": shift,
  "bit-shift-128": halve,
  revised: (p) => shift(p.cylinders > 8192 ? fifteen(p) : p),
  "revised-always": (p) => shift(fifteen(p)),
  lba: (_, total) => byTotal(total, lbaHeads(total)),
  "lba-by-cylinders": (p, total) => {
    const k = shiftBy(p.cylinders);
    return byTotal(total, k === 16 ? 255 : 16 * k);
  },
  "lba-rounded": (_, total) => byTotal(total, roundedHeads(total)),
  large,
  automatic: (p, total) => p.cylinders <= 1024 && p.heads <= 16 && p.sectors <= 63 ? p : p.cylinders * p.heads <= MOST_LARGE ? large(p) : byTotal(total, roundedHeads(total)),
  scsi: (_, total) => total <= 1024 * 64 * 32 ? byTotal(total, 64, 32) : byTotal(total, 255)
};
function translate(physical, kind2, total = sectorsOf(physical), keepsLast = false) {
  checkGeometry(physical);
  if (physical.heads > 16)
    throw new GeometryError({ is: "outside", what: "drive heads", n: physical.heads, low: 1, high: 16 });
  if (!Number.isInteger(total) || total < 1 || total > 2 ** 48)
    throw new GeometryError({ is: "outside", what: "total", n: total, low: 1, high: 2 ** 48 });
  const made2 = rules[kind2](physical, total);
  const geometry = {
    ...made2,
    cylinders: keepsLast ? Math.max(1, made2.cylinders - 1) : made2.cylinders,
    sectors: Math.min(63, made2.sectors)
  };
  return { geometry, usable: Math.min(sectorsOf(geometry), total) };
}

// src/lib/core/storage/fat.ts
var MIB = 2048;
var KIB = 1024;
var GIB = 1024 * MIB;
var FAT12_SECTORS = 32680;
var fat16 = [
  [262144, 2 * KIB],
  [524288, 4 * KIB],
  [1048576, 8 * KIB],
  [2097152, 16 * KIB],
  [Infinity, 32 * KIB]
];
var fat32 = [
  [8 * GIB, 4 * KIB],
  [16 * GIB, 8 * KIB],
  [32 * GIB, 16 * KIB]
];
function largestPartition(dos) {
  if (dos < 3) return 32680;
  if (dos < 4) return 65535;
  return dos >= 7.1 ? 2 ** 32 - 1 : 2047 * MIB;
}
function fatPlan(sectors, dos) {
  if (!Number.isInteger(sectors) || sectors < 64) throw new GeometryError({ is: "too-small", sectors });
  if (sectors > largestPartition(dos))
    throw new GeometryError({ is: "too-large", dos, sectors, most: largestPartition(dos) });
  const make = (kind2, type, clusterBytes) => ({
    kind: kind2,
    type,
    clusterBytes,
    clusters: clustersOf(sectors, kind2, clusterBytes / SECTOR),
    wasteOf: (files) => files * clusterBytes / 2
  });
  if (dos >= 7.1 && sectors > 512 * MIB)
    return make("FAT32", 11, (fat32.find(([most]) => sectors <= most) ?? [0, 32 * KIB])[1]);
  if (sectors <= FAT12_SECTORS) return make("FAT12", 1, dos < 3 ? 8 * KIB : 4 * KIB);
  const cluster = (fat16.find(([most]) => sectors <= most) ?? lastOf(fat16))[1];
  return make("FAT16", sectors < 65536 ? 4 : 6, cluster);
}
var ROOT_SECTORS = 512 * 32 / SECTOR;
var reservedOf = { FAT12: 1, FAT16: 1, FAT32: 32 };
var bitsOf = { FAT12: 12, FAT16: 16, FAT32: 32 };
function fatSectors(sectors, kind2, perCluster) {
  const room3 = sectors - reservedOf[kind2] - (kind2 === "FAT32" ? 0 : ROOT_SECTORS);
  let size2 = 1;
  for (; ; ) {
    const clusters2 = Math.floor((room3 - 2 * size2) / perCluster);
    const needed2 = Math.ceil((Math.max(0, clusters2) + 2) * bitsOf[kind2] / 8 / SECTOR);
    if (needed2 <= size2) return size2;
    size2 = needed2;
  }
}
function clustersOf(sectors, kind2, perCluster) {
  const tables = 2 * fatSectors(sectors, kind2, perCluster);
  const root = kind2 === "FAT32" ? 0 : ROOT_SECTORS;
  return Math.max(0, Math.floor((sectors - reservedOf[kind2] - tables - root) / perCluster));
}

// src/lib/core/storage/partition.ts
var makesExtended = (dos) => dos >= 3.3;
var MOST_DRIVES = 23;
function partition(geometry, dos, sizes) {
  const total = sectorsOf(geometry);
  const { heads, sectors, cylinders } = geometry;
  if (sizes.length > MOST_DRIVES)
    throw new GeometryError({ is: "partitions", n: sizes.length, most: MOST_DRIVES });
  if (sizes.length > 1 && !makesExtended(dos)) throw new GeometryError({ is: "one-partition", dos });
  const cylinder = heads * sectors;
  let next = 0;
  const partitions = sizes.map((size2, i) => {
    if (!Number.isInteger(size2) || size2 < 1) throw new GeometryError({ is: "no-size", n: size2 });
    if (next + size2 > cylinders)
      throw new GeometryError({
        is: "past-end",
        partition: i + 1,
        cylinder: next + size2 - 1,
        last: cylinders - 1
      });
    const record = next * cylinder;
    const lba = record + sectors;
    const length = size2 * cylinder - sectors;
    const made2 = {
      kind: i === 0 ? "primary" : "logical",
      lba,
      sectors: length,
      from: next,
      to: next + size2 - 1,
      fat: fatPlan(length, dos),
      record
    };
    next += size2;
    return made2;
  });
  const logical = partitions.filter((p) => p.kind === "logical");
  const from = logical[0]?.from ?? 0;
  return {
    geometry,
    partitions,
    extended: logical.length ? { lba: from * cylinder, sectors: (next - from) * cylinder, from, to: next - 1 } : null,
    left: total - next * cylinder
  };
}
function toolDisplay(sectors) {
  const mib = Math.floor(sectors * SECTOR / 2 ** 20);
  return { mib, shown: mib % 65536 };
}

// src/lib/core/storage/barriers.ts
var biosWays = [
  "fewer cylinders",
  "option ROM",
  "another BIOS",
  "overlay",
  "smaller drive",
  "clip jumper"
];
var laws = [
  ({ physical: { cylinders }, biosCylinders: most, track }) => most !== void 0 && cylinders >= most ? { id: "bios-cylinders", sectors: (most - 1) * track, who: "BIOS", most, cylinders, ways: biosWays } : null,
  ({ physical: { cylinders }, hangs, track }) => hangs?.includes("6322") && cylinders > 6322 ? { id: "bios-6322", sectors: 6322 * track, who: "BIOS", cylinders, ways: biosWays } : null,
  ({ hangs, total }) => hangs?.includes("65535") && total > 65535 * 16 * 63 ? {
    id: "bios-65535",
    sectors: 65535 * 16 * 63,
    who: "BIOS",
    ways: ["clip jumper", "option ROM", "another BIOS", "smaller drive"]
  } : null,
  ({ offers: offers2, physical: { cylinders, heads }, track }) => offers2.heads === 256 ? {
    id: "heads-256",
    sectors: 8192 * track,
    who: "operating system",
    cylinders,
    heads,
    shifted: offers2.cylinders,
    ways: biosWays
  } : null,
  // Less than one cylinder of INT 13h is rounding, not a barrier; nor is the one kept for diagnostics.
  ({ offers: offers2, extensions, dos, total, usable, keepsLast, translation }) => offers2.heads !== 256 && !(extensions && dos !== null && dos >= 7) && total - usable >= offers2.heads * offers2.sectors * (keepsLast ? 2 : 1) ? {
    id: translation === "none" ? "int13-ata" : "int13",
    sectors: usable,
    who: "BIOS",
    offers: offers2,
    ways: translation === "none" ? biosWays : ["option ROM", "another BIOS", "overlay", "smaller drive"]
  } : null,
  ({ dos }) => dos !== null && !makesExtended(dos) ? {
    id: "one-partition",
    sectors: largestPartition(dos),
    who: "operating system",
    dos,
    most: largestPartition(dos),
    ways: ["smaller drive"]
  } : null,
  ({ dos }) => dos !== null && dos < 7 ? {
    id: "dos-int13",
    sectors: 1024 * 255 * 63,
    who: "operating system",
    dos,
    ways: ["smaller drive", "fewer cylinders"]
  } : null,
  ({ dos, total }) => dos !== null && dos >= 7 ? {
    id: "tool-64g",
    sectors: 65536 * 2048,
    who: "partition tool",
    shownMiB: toolDisplay(total).shown,
    ways: []
  } : null,
  ({ physical, byNumber }) => physical.cylinders === 16383 && !byNumber ? {
    id: "reports-16383",
    sectors: 16383 * 16 * 63,
    who: "drive",
    ways: ["fewer cylinders", "option ROM", "overlay"]
  } : null,
  ({ byNumber }) => byNumber ? null : { id: "lba-28", sectors: 2 ** 28, who: "controller", ways: ["smaller drive", "option ROM"] },
  () => ({ id: "table-32", sectors: 2 ** 32, who: "partition tool", ways: ["smaller drive"] })
];
function barriers(setup2) {
  const { physical } = setup2;
  const total = setup2.total ?? sectorsOf(physical);
  const { geometry, usable } = translate(physical, setup2.translation, total, setup2.keepsLast);
  const now = { ...setup2, total, usable, offers: geometry, track: physical.heads * physical.sectors };
  return laws.flatMap((law) => law(now) ?? []).filter((b) => b.sectors < total).sort((a, b) => a.sectors - b.sectors);
}

// src/lib/core/storage/floppy.ts
var floppyFormats = [
  { kib: 160, name: "160K", rate: 250, dos: 1 },
  { kib: 180, name: "180K", rate: 250, dos: 2 },
  { kib: 320, name: "320K", rate: 250, dos: 1.1 },
  { kib: 360, name: "360K", rate: 250, dos: 2 },
  { kib: 720, name: "720K", rate: 250, dos: 3.2 },
  { kib: 1200, name: "1.2M", rate: 500, dos: 3 },
  { kib: 1440, name: "1.44M", rate: 500, dos: 3.3 },
  { kib: 2880, name: "2.88M", rate: 1e3, dos: 5 }
];
var byKiB = new Map(floppyFormats.map((f) => [f.kib, f]));
var floppyDos = (kib4) => byKiB.get(kib4)?.dos ?? 0;
function floppyRate(kib4, driveKiB = kib4) {
  if (driveKiB === 1200 && kib4 < 1200) return 300;
  return byKiB.get(kib4)?.rate ?? 250;
}
var controllerRate = (kib4) => kib4 === void 0 ? 1e3 : floppyRate(kib4);
var drives = {
  360: { reads: [160, 180, 320, 360], writes: [160, 180, 320, 360] },
  720: { reads: [720], writes: [720] },
  1200: {
    reads: [160, 180, 320, 360, 1200],
    // What it writes on a 360K disk may not be read by a 360K drive: its track is narrower.
    writes: [1200]
  },
  1440: { reads: [720, 1440], writes: [720, 1440] },
  2880: { reads: [720, 1440, 2880], writes: [720, 1440, 2880] }
};
var mediaOf = (driveKiB) => drives[driveKiB] ?? { reads: [driveKiB].filter(Boolean), writes: [driveKiB].filter(Boolean) };
function biosTakes(biosKiB, driveKiB) {
  if (biosKiB >= driveKiB) return "yes";
  return driveKiB === 720 || driveKiB === 1440 && biosKiB >= 1200 ? "driver" : "no";
}

// src/lib/core/storage/types.ts
var NONE = 65535;
var rows = [
  [1, 306, 4, 128, 305],
  [2, 615, 4, 300, 615],
  [3, 615, 6, 300, 615],
  [4, 940, 8, 512, 940],
  [5, 940, 6, 512, 940],
  [6, 615, 4, NONE, 615],
  [7, 462, 8, 256, 511],
  [8, 733, 5, NONE, 733],
  [9, 900, 15, NONE, 901],
  [10, 820, 3, NONE, 820],
  [11, 855, 5, NONE, 855],
  [12, 855, 7, NONE, 855],
  [13, 306, 8, 128, 319],
  [14, 733, 7, NONE, 733],
  [16, 612, 4, 0, 663],
  [17, 977, 5, 300, 977],
  [18, 977, 7, NONE, 977],
  [19, 1024, 7, 512, 1023],
  [20, 733, 5, 300, 732],
  [21, 733, 7, 300, 732],
  [22, 733, 5, 300, 733],
  [23, 306, 4, 0, 336],
  [24, 925, 7, 0, 925],
  [25, 925, 9, NONE, 925],
  [26, 754, 7, 754, 754],
  [27, 754, 11, NONE, 754],
  [28, 699, 7, 256, 699],
  [29, 823, 10, NONE, 823],
  [30, 918, 7, 918, 918],
  [31, 1024, 11, NONE, 1024],
  [32, 1024, 15, NONE, 1024],
  [33, 1024, 5, 1024, 1024],
  [34, 612, 2, 128, 612],
  [35, 1024, 9, NONE, 1024],
  [36, 1024, 8, 512, 1024],
  [37, 615, 8, 128, 615],
  [38, 987, 3, 987, 987],
  [39, 987, 7, 987, 987],
  [40, 820, 6, 820, 820],
  [41, 977, 5, 977, 977],
  [42, 981, 5, 981, 981],
  [43, 830, 7, 512, 830],
  [44, 830, 10, NONE, 830],
  [45, 917, 15, NONE, 918],
  [46, 1224, 15, NONE, 1223]
];
var driveTypes = rows.map(([type, cylinders, heads, precomp, landing]) => ({
  type,
  cylinders,
  heads,
  sectors: 17,
  precomp,
  landing
}));
function fitTypes(drive, translates, known3 = 46, own = [], reach3 = (t) => Math.min(1024, t.cylinders) * t.heads * t.sectors, total = sectorsOf(drive)) {
  return [...driveTypes.filter((t) => own.every((o) => o.type !== t.type)), ...own].filter((t) => t.type <= known3 || own.includes(t)).filter(
    (t) => translates ? sectorsOf(t) <= total : t.cylinders <= drive.cylinders && t.heads <= drive.heads && t.sectors <= drive.sectors
  ).map((type) => {
    const used = Math.min(total, reach3(type));
    return { type, used, lost: total - used };
  }).sort((a, b) => b.used - a.used || a.type.type - b.type.type);
}

// src/lib/core/storage/setup.ts
var NO_PRECOMP = 65535;
function safeCylinders(drive, facts2, dos) {
  const { physical } = drive;
  const caps = [
    physical.cylinders,
    facts2.mostTyped ?? Infinity,
    facts2.biosCylinders === void 0 ? Infinity : facts2.biosCylinders - 1,
    facts2.hangs?.includes("6322") ? 6322 : Infinity
  ];
  let most = Math.min(...caps);
  while (most > 1024 && translate({ ...physical, cylinders: most }, facts2.translation).geometry.heads === 256)
    most = most > 8192 ? 8192 : most - 1;
  if (facts2.translation === "none") most = Math.min(most, INT13.cylinders);
  return dos === null || most > 0 ? most : 1;
}
var barriersOf = (drive, facts2, dos) => barriers({
  physical: drive.physical,
  ...drive.total === void 0 ? {} : { total: drive.total },
  translation: facts2.translation,
  dos,
  ...facts2.biosCylinders === void 0 ? {} : { biosCylinders: facts2.biosCylinders },
  ...facts2.hangs ? { hangs: facts2.hangs } : {},
  ...facts2.keepsLast ? { keepsLast: true } : {},
  ...facts2.extensions ? { extensions: true } : {},
  ...drive.byNumber ? { byNumber: true } : {}
});
var usesExtensions = (facts2, dos) => facts2.extensions === true && dos !== null && dos >= 7;
function offered(geometry, facts2, total, dos = null) {
  const logical = translate(geometry, facts2.translation, total, facts2.keepsLast);
  return usesExtensions(facts2, dos) && total !== void 0 ? { ...logical, usable: total } : logical;
}
var stopping = /* @__PURE__ */ new Set(["bios-cylinders", "bios-6322", "bios-65535", "heads-256"]);
var notTyped = {
  type: "not installed",
  geometry: null,
  precomp: null,
  landing: null,
  mode: null,
  logical: null,
  usable: null,
  lost: 0,
  works: true
};
var costOf = (unused, g, facts2) => (
  // Less than one cylinder is rounding.
  unused < g.heads * g.sectors ? "nothing" : facts2.keepsLast && unused <= g.heads * g.sectors ? "kept" : "part"
);
function userType(id2, geometry, known3, drive, facts2, dos) {
  const total = drive.total ?? sectorsOf(drive.physical);
  const whole2 = id2 === "whole" && facts2.translation.startsWith("lba") ? total : sectorsOf(geometry);
  const { geometry: logical, usable } = offered(geometry, facts2, whole2, dos);
  const lost2 = Math.max(0, total - usable);
  return {
    id: id2,
    type: "user",
    geometry,
    precomp: drive.precomp ?? NO_PRECOMP,
    // Usually the cylinder after the last.
    landing: drive.landing ?? geometry.cylinders,
    mode: facts2.translation,
    logical,
    usable,
    lost: lost2,
    works: known3 !== "hangs",
    // What is lost costs, whatever else does not.
    cost: known3 === "nothing" ? costOf(lost2, logical, facts2) : known3
  };
}
function tableTypes(drive, facts2) {
  const { physical, translates } = drive;
  const total = drive.total ?? sectorsOf(physical);
  const usableOf = (typed) => offered(typed, facts2).usable;
  return fitTypes(physical, translates, facts2.types, facts2.table, usableOf, total).slice(0, facts2.user ? 1 : 3).map(({ type, used: usable }) => {
    const { cylinders, heads, sectors } = type;
    const geometry = { cylinders, heads, sectors };
    const lost2 = Math.max(0, total - usable);
    return {
      id: "type",
      type: String(type.type),
      geometry,
      precomp: type.precomp,
      landing: type.landing,
      mode: facts2.translation,
      logical: offered(geometry, facts2).geometry,
      usable,
      lost: lost2,
      works: true,
      cost: costOf(lost2, geometry, facts2)
    };
  });
}
var untyped = [
  ["option ROM", { id: "rom", cost: "adapter-card" }],
  ["another BIOS", { id: "bios", type: "", cost: "another-rom" }],
  ["overlay", { id: "overlay", type: "user", cost: "unreadable-without" }],
  ["smaller drive", { id: "smaller", type: "", cost: "another-drive" }],
  ["clip jumper", { id: "clip", type: "", cost: "jumper-hides" }]
];
function setupChoices(drive, facts2, dos) {
  const { physical } = drive;
  if (facts2.isRom) {
    const total = drive.total ?? sectorsOf(physical);
    const { geometry: logical, usable } = offered(physical, facts2, total, dos);
    return [{ ...notTyped, id: "by-rom", logical, usable, lost: total - usable, cost: "nothing" }];
  }
  const found = barriersOf(drive, facts2, dos);
  const out2 = [];
  const hangs = found.some((b) => stopping.has(b.id)) || physical.cylinders === 16383 && !facts2.translation.startsWith("lba");
  const fits = physical.cylinders <= (facts2.mostTyped ?? Infinity);
  if (facts2.user && fits)
    out2.push(userType("whole", physical, hangs ? "hangs" : "nothing", drive, facts2, dos));
  const most = safeCylinders(drive, facts2, dos);
  if (facts2.user && most < physical.cylinders)
    out2.push(userType("fewer", { ...physical, cylinders: most }, "rest", drive, facts2, dos));
  out2.push(...tableTypes(drive, facts2));
  const ways2 = new Set(found.flatMap((b) => b.ways));
  for (const [way, choice] of untyped) if (ways2.has(way)) out2.push({ ...notTyped, ...choice });
  return out2.sort(
    (a, b) => Number(isTyped(b)) - Number(isTyped(a)) || Number(b.works) - Number(a.works) || (b.usable ?? 0) - (a.usable ?? 0)
  );
}
var isTyped = (c) => c.geometry !== null;

// src/lib/core/storage/guard.ts
var overrunsOf = (plan2, sectors) => plan2.partitions.flatMap((p, i) => {
  const past = p.lba + p.sectors - sectors;
  return past > 0 ? [{ number: i + 1, sectors: past }] : [];
});
function guard({ geometry, logical, usable }, real, made2, plan2 = null) {
  const out2 = [];
  if (made2 && (made2.heads !== logical.heads || made2.sectors !== logical.sectors))
    out2.push({
      grade: "stop",
      why: "shape",
      made: { heads: made2.heads, sectors: made2.sectors },
      gives: { heads: logical.heads, sectors: logical.sectors }
    });
  if (real !== null) out2.push(...reachOf(geometry, logical, usable, real, plan2));
  return out2.length ? out2 : [{ grade: "fine", why: "exact" }];
}
function reachOf(geometry, logical, usable, real, plan2) {
  const typed = sectorsOf(geometry);
  if (typed < real) return [{ grade: "note", why: "unused", sectors: real - typed }];
  const cylinder = logical.heads * logical.sectors;
  const cylinders = Math.min(logical.cylinders, INT13.cylinders, Math.floor(usable / cylinder));
  const past = cylinders * cylinder - real;
  if (past <= 0) return typed > real ? [{ grade: "note", why: "rounding", sectors: typed - real }] : [];
  if (!plan2) return [{ grade: "stop", why: "past", sectors: past }];
  const overruns = overrunsOf(plan2, real);
  return overruns.length ? [{ grade: "stop", why: "plan-past", overruns }] : [{ grade: "caution", why: "plan-ends-before", sectors: past }];
}

// src/lib/core/storage/ruler.ts
var gates = [
  { ids: ["one-partition"], label: "32 MiB", sectors: 65536 },
  { ids: ["int13-ata"], label: "504 MiB", sectors: sectorsOf({ cylinders: 1024, heads: 16, sectors: 63 }) },
  { ids: ["bios-cylinders"], label: "2,016 MiB", sectors: 4095 * 16 * 63 },
  { ids: ["bios-6322"], label: "3.04 GiB", sectors: 6322 * 16 * 63 },
  { ids: ["heads-256"], label: "3.94 GiB", sectors: 8192 * 16 * 63 },
  { ids: ["dos-int13", "int13"], label: "7.84 GiB", sectors: 1024 * 255 * 63 },
  { ids: ["bios-65535"], label: "31.5 GiB", sectors: 65535 * 16 * 63 },
  { ids: ["tool-64g"], label: "64 GiB", sectors: 65536 * 2048 },
  { ids: ["lba-28"], label: "128 GiB", sectors: 2 ** 28 }
];

// src/lib/core/model/drive-facts.ts
var DriveInterface = z3.enum([
  "st506",
  "rll",
  "esdi",
  "xta",
  "ata",
  "scsi",
  "floppy",
  "cd-panel",
  "one-cable",
  "usb"
]);
var ScsiFacts = z3.strictObject({
  /** The two kinds are electrically apart: on one cable drivers burn. */
  signals: z3.enum(["single-ended", "differential"]).optional(),
  /** Bits: 8 on 50 lines, 16 on 68. */
  width: z3.union([z3.literal(8), z3.literal(16)]).optional(),
  /** Feeds the terminators over the cable. */
  termPower: z3.boolean().optional()
});
var DriveFacts = z3.strictObject({
  medium: z3.enum(["hard", "floppy", "optical", "flash", "removable", "emulator"]),
  interface: DriveInterface,
  /** Capacity in sectors of 512 bytes; a floppy drive has a rate in its place. */
  sectors: z3.number().int().positive().max(2 ** 32).optional(),
  /** What it reports of itself, or what is printed on it. */
  geometry: z3.strictObject({
    cylinders: z3.number().int().min(1).max(65535),
    heads: z3.number().int().min(1).max(16),
    sectors: z3.number().int().min(1).max(63)
  }).optional(),
  /** Largest floppy that it writes, in KiB. */
  floppyKiB: z3.union([z3.literal(360), z3.literal(720), z3.literal(1200), z3.literal(1440), z3.literal(2880)]).optional(),
  /** `module`: made for a bay of a portable. */
  bay: z3.enum(["full-5", "half-5", "third-3", "half-3", "outside", "module", "none"]),
  /**
   * Its power lead: the large four-pin one, the small one of floppies, from the slot of the card that it sits on, over
   * its data cable as the small disks of portables, or none.
   */
  plug: z3.enum(["large", "small", "slot", "cable", "none"]).default("large"),
  speed: z3.number().positive().optional(),
  scsi: ScsiFacts.optional(),
  /** Cylinder from which writing is precompensated, of drives that leave it to the controller; 65535: none. */
  precomp: z3.number().int().min(0).max(65535).optional(),
  /** Cylinder on which the heads are parked, of drives that do not do it themselves. */
  landing: z3.number().int().min(0).max(65535).optional()
});
var DriveTypeEntry = z3.strictObject({
  type: z3.number().int().min(1).max(60),
  cylinders: z3.number().int().min(1).max(4096),
  heads: z3.number().int().min(1).max(16),
  sectors: z3.number().int().min(1).max(63),
  precomp: z3.number().int().min(0).max(65535),
  landing: z3.number().int().min(0).max(65535)
});
var FirmwareFacts = z3.strictObject({
  year: z3.number().int().min(1978).max(2002),
  setup: z3.enum(["none", "floppy", "key"]),
  key: z3.string().max(30).optional(),
  /** How it beeps: as the originals, by counts, long and short, or in groups. */
  beeps: z3.enum(["P", "A", "B", "C"]).optional(),
  pnp: z3.boolean().default(false),
  cdBoot: z3.boolean().default(false),
  /** Looks for ROMs on cards at start; the very first one does not. */
  scansRoms: z3.boolean().default(true),
  /** It counts no memory above this, in KiB. */
  mostBaseKiB: z3.number().int().min(64).max(640).optional(),
  /** Largest floppy it knows, in KiB. */
  floppyKiB: z3.number().int().min(160).max(2880),
  disk: z3.strictObject({
    /** How many drive types its table holds; 0: the controller's ROM does it. */
    types: z3.number().int().min(0).max(60),
    user: z3.boolean(),
    translation: z3.enum([...biosTranslations, "rom"]),
    /** Entries of its type table that are not those of the common one. */
    table: z3.array(DriveTypeEntry).max(60).optional(),
    /** Keeps the last cylinder back for diagnostics: one fewer than typed is offered. */
    keepsLast: z3.boolean().optional(),
    /** Cylinders that the setup takes. */
    cylinders: z3.number().int().min(0).max(65535),
    /** Cylinder counts above which it hangs at detection. */
    hangs: z3.array(z3.enum(["6322", "65535"])).optional(),
    /** INT 13h extensions, functions 41h to 48h: from about 1996 to 1998 on. */
    extensions: z3.boolean().optional(),
    /** Largest disk that it handles whole, in MiB; beyond it hangs or sees less. */
    mostMiB: z3.number().int().positive().optional()
  })
});

// src/lib/core/model/facts.ts
import { z as z5 } from "zod";

// src/lib/core/model/meaning.ts
import { z as z4 } from "zod";
var FactId = z4.enum([
  "fpu",
  "banks",
  "memory-kib",
  "display",
  "floppies",
  "bus-mhz",
  "factor",
  "volts",
  "bus-divisor",
  "cache-kib",
  "vlb-mhz",
  "vlb-wait",
  "wait-states",
  "battery",
  "keyboard",
  "monitor",
  "bus-width",
  "rom-write"
]);
var FactValue = z4.union([z4.number(), z4.string().min(1).max(40)]);
var Meaning = z4.strictObject({ fact: FactId, setting: Id, values: z4.record(Id, FactValue) });
var PinHeader = z4.strictObject({
  id: Id,
  label: Label,
  kind: z4.enum([
    "speaker",
    "reset",
    "turbo-switch",
    "turbo-led",
    "power-led",
    "key-lock",
    "disk-led",
    "battery",
    "power",
    "keyboard",
    "other"
  ]),
  /** What each pin carries, from pin 1 on. */
  pins: z4.array(Label).min(2).max(12),
  /** Which way round matters. */
  polar: z4.boolean().default(false),
  note: Text.optional()
});

// src/lib/core/model/facts.ts
var kib = z5.number().int().min(0).max(8 * 1024 * 1024);
var mhz = z5.number().positive().max(2e3);
var amps = z5.number().min(0).max(60);
var range = z5.strictObject({ low: z5.number().min(0), high: z5.number().min(0) });
var CPU_FAMILIES = [
  "8088",
  "8086",
  "286",
  "386sx",
  "386dx",
  "486sx",
  "486dx",
  "586",
  "pentium",
  "pentium2"
];
var CpuFamily = z5.enum(CPU_FAMILIES);
var CpuSocket = z5.enum([
  "dip40",
  "pga68",
  "plcc68",
  "qfp",
  "pga132",
  "pga168",
  "socket3",
  "socket4",
  "socket5",
  "socket7",
  "slot1",
  "socket370"
]);
var CpuFacts = z5.strictObject({
  family: CpuFamily,
  socket: CpuSocket,
  /** Rated clocks: core = bus × multiplier. */
  coreMHz: mhz,
  busMHz: mhz,
  /** Core voltage that the chip is made for. */
  volts: range,
  /** Floating-point unit inside. */
  fpu: z5.boolean().default(false),
  /** Runs its core and its pins at two voltages: a single-voltage board cannot take it. */
  split: z5.boolean().default(false),
  /** The factor that a multiplier code means on this chip, where it is another one: `2` means 4. */
  reads: z5.record(z5.string().regex(/^\d+(\.\d)?$/), z5.number().positive()).default({}),
  /** The factor at which it runs on a board without multiplier jumpers, where that is not its rated one. */
  openFactor: z5.number().positive().optional(),
  /**
   * How the cache inside writes. `either`: a pin chooses, and open it writes through; `back`: always back. Left out:
   * nobody has read it off the chip.
   */
  writes: z5.enum(["through", "back", "either"]).optional()
});
var CacheWrites = z5.enum(["through", "back"]);
var Uart = z5.enum(["8250", "16450", "16550"]);
var FPU_KINDS = ["8087", "287", "387sx", "387dx", "487"];
var FpuKind = z5.enum(FPU_KINDS);
var FpuFacts = z5.strictObject({ kind: FpuKind, mhz });
var OscillatorFacts = z5.strictObject({ mhz });
var MemoryType = z5.enum(["dram", "fpm", "edo", "sdram"]);
var ModuleForm = z5.enum(["chips", "sipp30", "simm30", "simm72", "dimm168"]);
var ModuleFacts = z5.strictObject({
  form: ModuleForm,
  /** Capacity without parity. */
  kib,
  ns: z5.number().min(5).max(300),
  parity: z5.boolean().default(false),
  type: MemoryType.default("dram"),
  /** Two sides count as two banks on many boards. */
  sides: z5.union([z5.literal(1), z5.literal(2)]).default(1),
  /** How it is made up: 9 × 256K×1. */
  chips: Label.optional()
});
var Offered = z5.union([
  z5.array(z5.number().positive()).min(1).max(24),
  z5.strictObject({ setting: Id, values: z5.record(Id, z5.number().positive()) })
]);
var MemoryFacts = z5.strictObject({
  /** Soldered to the board. */
  onboardKiB: kib.default(0),
  banks: z5.array(
    z5.strictObject({
      id: Id,
      label: Label.optional(),
      forms: z5.array(ModuleForm).min(1),
      /** Modules that fill the bank; it is full or empty. */
      sockets: z5.number().int().min(1).max(36)
    })
  ).max(16).default([]),
  /** Module sizes that the board knows. */
  sizesKiB: z5.array(kib).max(16).default([]),
  /** Most that the board takes. */
  maxKiB: kib,
  /** The fillings that the board knows, as module size for each bank; left out: any order. */
  fillings: z5.array(z5.array(kib)).max(80).optional(),
  /** Slowest memory that the board is good for at its top clock. */
  ns: z5.number().min(5).max(300).default(150),
  parity: z5.enum(["required", "optional", "off"]).default("optional"),
  types: z5.array(MemoryType).default(["dram", "fpm"]),
  /** Whether the 384 KiB under the ROMs come back above 1 MiB. */
  remap: z5.enum(["yes", "no", "without-shadow"]).default("no"),
  /** Withheld for copies of the ROMs in the usual setup. */
  shadowKiB: kib.default(0),
  cacheableKiB: kib.optional(),
  /** Needs the three supplies of the oldest memory chips: destroyed without −5 V. */
  threeSupply: z5.boolean().default(false)
});
var FormFactor = z5.enum(["xt", "full-at", "baby-at", "lpx", "atx"]);
var SlotSpacing = z5.enum(["1 inch", "0.8 inch"]);
var KeyboardProtocol = z5.enum(["xt", "at"]);
var KeyboardPlug = z5.enum(["din5", "minidin6"]);
var boardFit = {
  form: FormFactor.optional(),
  slotSpacing: SlotSpacing.optional(),
  cpuSocket: z5.strictObject({
    accepts: z5.array(CpuSocket).min(1),
    families: z5.array(CpuFamily).min(1),
    /** A CPU that is soldered in: its part. */
    soldered: Id.optional()
  }).optional(),
  fpuSockets: z5.array(FpuKind).optional(),
  /** External clock in MHz. */
  busClock: Offered.optional(),
  multiplier: Offered.optional(),
  coreVolts: Offered.optional(),
  /** What the clock table of the board prints; where nobody knows, both readings are shown. */
  clockUnit: z5.enum(["bus", "core", "unknown"]).optional(),
  /** ISA clock = external clock ÷ this. */
  busDivisor: Offered.optional(),
  /**
   * Which way of writing of the cache in the CPU the board is made for: one it is fixed to, or what a setting chooses.
   * A board of one that writes through never asks the CPU before a card reads memory.
   */
  cacheWrites: z5.union([CacheWrites, z5.strictObject({ setting: Id, values: z5.record(Id, CacheWrites) })]).optional(),
  /** Pins for the leads of the case, the battery and the like. */
  headers: z5.array(PinHeader).max(24).optional(),
  memory: MemoryFacts.optional(),
  cacheKiB: kib.optional(),
  keyboard: z5.strictObject({ protocols: z5.array(KeyboardProtocol).min(1), plug: KeyboardPlug }).optional(),
  battery: z5.enum(["barrel", "coin", "pack", "clock-module", "none"]).optional(),
  powerPlug: z5.enum(["at", "atx", "either"]).optional(),
  /** The set-up program that it holds. */
  firmware: Id.optional(),
  /** Display setting: what the board must be told of the first display. */
  displaySwitch: z5.strictObject({ setting: Id, values: z5.record(Id, z5.enum(["mono", "colour", "own-bios", "any"])) }).optional(),
  fpuSwitch: z5.strictObject({ setting: Id, fitted: Id, none: Id }).optional()
};
var Plug = z5.enum(["de9", "de15", "composite", "inside"]);
var Signal = z5.enum(["mono", "rgbi", "ega", "analogue", "composite"]);
var VideoStandard = z5.enum(["mono", "cga", "ega", "mcga", "vga", "3d-only"]);
var VideoFacts = z5.strictObject({
  standard: VideoStandard,
  memoryKiB: kib,
  outputs: z5.array(z5.strictObject({ plug: Plug, signals: z5.array(Signal).min(1) })).min(1).max(4),
  /** Modes beyond those of the standard, as ids of the table of display modes. */
  modes: z5.array(z5.string().max(20)).max(24).default([]),
  /** Bits for each pixel that it can show. */
  depths: z5.array(
    z5.union([
      z5.literal(1),
      z5.literal(2),
      z5.literal(4),
      z5.literal(8),
      z5.literal(15),
      z5.literal(16),
      z5.literal(24),
      z5.literal(32)
    ])
  ).default([]),
  accelerated: z5.enum(["no", "2d", "3d"]).default("no"),
  /** Monochrome graphics of 720 × 348 besides text. */
  monoGraphics: z5.boolean().default(false),
  monitorSwitch: z5.strictObject({
    setting: Id,
    values: z5.record(Id, z5.enum(["mono", "colour", "enhanced-200", "enhanced-350"]))
  }).optional()
});
var Ability = z5.enum([
  "fm",
  "stereo-fm",
  "digital8",
  "digital16",
  "codec",
  "midi-port",
  "wavetable",
  "cd-audio",
  "speech",
  "tones"
]);
var AudioFacts = z5.strictObject({ abilities: z5.array(Ability).min(1) });
var MonitorFacts = z5.strictObject({
  inputs: z5.array(z5.strictObject({ plug: Plug, signals: z5.array(Signal).min(1) })).min(1).max(4),
  /** Ranges of line frequency in kHz and of picture frequency in Hz; a narrow range is a fixed one. */
  horizontal: z5.array(range).min(1).max(6),
  vertical: range,
  colour: z5.boolean(),
  /** Made for one signal: another can damage it. */
  fixed: z5.boolean().default(false),
  inches: z5.number().min(5).max(30).optional(),
  /** Behaviour that is mistaken for a fault. */
  darkWithoutSignal: z5.boolean().default(false),
  flat: z5.boolean().default(false)
});
var SupplyFacts = z5.strictObject({
  form: z5.enum(["xt", "at", "atx"]),
  watts: z5.number().positive().max(1e3),
  /** Most that each rail gives, in amperes. */
  rails: z5.strictObject({
    v5: amps,
    v12: amps,
    v3: amps.default(0),
    m5: amps.default(0),
    m12: amps.default(0)
  }),
  /** Least load on +5 V below which it does not start. */
  leastV5: amps.default(0),
  plugs: z5.strictObject({
    large: z5.number().int().min(0).max(20),
    small: z5.number().int().min(0).max(8).default(0)
  })
});
var PowerNeed = z5.strictObject({
  v5: amps.default(0),
  v12: amps.default(0),
  v3: amps.default(0),
  start12: amps.optional(),
  minus5: z5.boolean().default(false)
});
var KeyboardFacts = z5.strictObject({
  protocols: z5.array(KeyboardProtocol).min(1),
  plug: KeyboardPlug,
  /** How it changes between them. */
  change: z5.enum(["fixed", "switch", "automatic"]).default("fixed")
});
var ChassisFacts = z5.strictObject({
  forms: z5.array(FormFactor).min(1),
  bays: z5.strictObject({
    full5: z5.number().int().min(0).max(10).default(0),
    half5: z5.number().int().min(0).max(12).default(0),
    third3: z5.number().int().min(0).max(12).default(0)
  }),
  openings: z5.number().int().min(1).max(12),
  spacing: SlotSpacing.optional(),
  cardMm: z5.number().positive().optional(),
  supply: z5.array(z5.enum(["xt", "at", "atx"])).default(["at"])
});
var AdapterFacts = z5.strictObject({
  from: Label,
  to: Label,
  /** Units that it carries. */
  units: z5.number().int().min(1).max(8).default(1),
  /** A carrier between a CPU and its socket. */
  cpu: z5.strictObject({
    /** Sockets of a board that it goes into. */
    into: z5.array(CpuSocket).min(1),
    /** Sockets of CPUs that it takes. */
    takes: z5.array(CpuSocket).min(1),
    /** Volts that its regulator makes; left out: nobody has measured it. */
    volts: z5.number().positive().max(6).optional()
  }).optional()
});
var DriverFacts = z5.strictObject({
  /** Lowest CPU class that it runs on. */
  cpu: CpuFamily,
  /** First version of DOS that loads it. */
  dos: z5.number().positive().max(9).optional(),
  /** First version of Windows that has it; such a driver is none for DOS. */
  windows: z5.number().positive().max(5).optional()
});
var LookFacts = z5.strictObject({
  chips: z5.array(Label).max(24).default([]),
  connectors: z5.array(Label).max(24).default([]),
  etched: Label.optional(),
  colour: z5.string().max(30).optional()
});

// src/lib/core/model/part.ts
var Evidence = z6.strictObject({
  source: z6.enum(["silkscreen", "manual", "measured", "tried", "listing", "guess"]),
  note: Text.optional(),
  date: z6.string().max(20).optional(),
  /** What this source says, where sources disagree. */
  says: Text.optional(),
  /** This is the source that held when it was tried. */
  held: z6.boolean().optional()
});
var Place = z6.strictObject({
  /** Position of the block's top left corner on the drawing, in percent of the card. */
  x: z6.number().min(0).max(100),
  y: z6.number().min(0).max(100)
});
var blockBase = { id: Id, label: Label.optional(), at: Place.optional() };
var Block = z6.discriminatedUnion("kind", [
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("header"),
    rows: z6.number().int().min(1).max(4),
    columns: z6.number().int().min(1).max(40),
    /** Which corner pin 1 is in. */
    pin1: z6.enum(["top-left", "top-right", "bottom-left", "bottom-right"]).default("top-left"),
    columnLabels: z6.array(z6.string().max(12)).optional()
  }),
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("dip"),
    switches: z6.number().int().min(1).max(16),
    /** What is printed on the block beside the side that closes the switch. */
    printed: z6.enum(["ON", "OPEN", "CLOSED", "0/1", "arrow"]).default("ON"),
    /** The block is mounted with its numbers upside down. */
    flipped: z6.boolean().default(false)
  }),
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("rotary"),
    steps: z6.number().int().min(2).max(32)
  }),
  /** A slide switch; place 0 is on the left, or on top. `stepLabels` are printed beside the places. */
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("slide"),
    steps: z6.number().int().min(2).max(6),
    stepLabels: z6.array(z6.string().max(12)).max(6).optional()
  }),
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("solder"),
    bridges: z6.number().int().min(1).max(16)
  }),
  /** Resistor packs in sockets: terminators that are in or out. `bridges` of a state are the packs that are in. */
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("resistor"),
    packs: z6.number().int().min(1).max(6)
  }),
  /** A choice burnt into a ROM or soldered in: never moved, only exchanged. */
  z6.strictObject({ ...blockBase, kind: z6.literal("firmware") }),
  /** A program run by hand writes the choice; `program` is the command without its value. */
  z6.strictObject({
    ...blockBase,
    kind: z6.literal("software"),
    program: z6.string().max(80),
    /** The card forgets when it is switched off, so the program has to run at every start. */
    eachStart: z6.boolean().optional()
  }),
  /** ISA plug-and-play: a configuration program or the BIOS chooses at each start. */
  z6.strictObject({ ...blockBase, kind: z6.literal("pnp") }),
  /** The BIOS chooses at each start (PCI interrupt inputs). */
  z6.strictObject({ ...blockBase, kind: z6.literal("startup") }),
  /** A bay of a portable that takes one of several modules; the value of a state is what the module is called. */
  z6.strictObject({ ...blockBase, kind: z6.literal("bay") })
]);
var State = z6.union([
  z6.strictObject({
    caps: z6.array(z6.tuple([z6.number().int().min(1), z6.number().int().min(1)])).max(40)
  }),
  z6.strictObject({ switches: z6.record(z6.string().regex(/^\d+$/), z6.enum(["on", "off"])) }),
  z6.strictObject({ step: z6.number().int().min(0).max(31) }),
  z6.strictObject({ bridges: z6.array(z6.number().int().min(1)).max(16) }),
  z6.strictObject({ value: z6.string().max(120) })
]);
var Position = z6.strictObject({
  id: Id,
  label: Label,
  state: State.optional(),
  evidence: z6.array(Evidence).optional()
});
var Setting = z6.strictObject({
  id: Id,
  label: Label,
  block: Id.optional(),
  /** False: nobody knows what it does. It is kept and drawn, and the solver never moves it. */
  known: z6.boolean().default(true),
  positions: z6.array(Position).max(256).default([]),
  default: Id.optional(),
  evidence: z6.array(Evidence).optional()
});
var FunctionKind = z6.enum([
  "display",
  "serial",
  "parallel",
  "hard-disk",
  "floppy",
  "audio",
  "fm",
  "midi",
  "game",
  "cdrom",
  "network",
  "scsi",
  "ems",
  "mouse",
  "modem",
  "scanner",
  "usb",
  "keyboard",
  "clock",
  "fpu",
  "memory",
  "rom",
  "battery",
  "system",
  "other"
]);
var Match = z6.record(Id, z6.array(Id).min(1));
var Value = Address.nullable();
var ClaimSource = z6.union([
  z6.strictObject({ setting: Id, values: z6.record(Id, Value) }),
  z6.strictObject({
    settings: z6.array(Id).min(1).max(6),
    /** The first row that matches counts; a row may leave settings out. */
    rows: z6.array(z6.strictObject({ when: z6.record(Id, Id).default({}), value: Value })).min(1).max(1024)
  })
]);
var Sharing = z6.enum(["never", "idle", "unused", "level"]);
var claimBase = {
  id: Id.optional(),
  label: Label.optional(),
  value: Value.optional(),
  from: ClaimSource.optional(),
  sharing: Sharing.default("never"),
  /** Function ids or kinds of other parts that use the same line or address on purpose. */
  sharesWith: z6.array(Id).default([]),
  evidence: z6.array(Evidence).optional()
};
var Claim = z6.discriminatedUnion("resource", [
  z6.strictObject({ ...claimBase, resource: z6.literal("irq"), pin: z6.enum(["A", "B", "C", "D"]).optional() }),
  z6.strictObject({
    ...claimBase,
    resource: z6.literal("dma"),
    width: z6.union([z6.literal(8), z6.literal(16)]).default(8),
    /** An ISA bus master: the channel is used in cascade mode. */
    busMaster: z6.boolean().default(false)
  }),
  z6.strictObject({
    ...claimBase,
    resource: z6.literal("io"),
    /** Ports that the card decodes from its base, 1 to 1024. */
    length: z6.number().int().min(1).max(1024),
    /** Address lines compared; left out: 3FFh for ISA (10 lines), FFFFh for PCI. */
    mask: Address.optional(),
    access: z6.enum(["both", "read", "write"]).default("both"),
    decode: z6.enum(["isa", "pci"]).optional()
  }),
  z6.strictObject({
    ...claimBase,
    resource: z6.literal("memory"),
    /** Bytes. */
    length: Address,
    width: z6.union([z6.literal(8), z6.literal(16)]).default(8),
    use: z6.enum(["rom", "ram", "frame", "display"]).default("ram"),
    /** Copied to RAM at start, so no longer read over the bus. */
    shadowed: z6.boolean().default(false),
    decode: z6.enum(["isa", "pci"]).optional()
  })
]);
var PartFunction = z6.strictObject({
  id: Id,
  label: Label,
  kind: FunctionKind,
  /** The function is off when any of these matches. Empty: it cannot be switched off. */
  off: z6.array(Match).default([]),
  claims: z6.array(Claim).max(32).default([]),
  /** Its cable carries the power of the drives too, as in portables. */
  feeds: z6.boolean().optional(),
  /** Drives that it runs, and how many. */
  speaks: z6.array(DriveInterface).optional(),
  units: z6.number().int().min(1).max(15).optional(),
  /** Of a host adapter: how its bus is driven. */
  scsi: ScsiFacts.optional(),
  /** Of a serial port: its chip. Only the last one buffers what comes in. */
  uart: Uart.optional(),
  /** Fastest floppy of a floppy controller, in KiB. */
  floppyKiB: z6.number().int().min(160).max(2880).optional(),
  /** Memory that it brings: expanded memory of a board, shared memory. */
  memoryKiB: z6.number().int().min(1).max(65536).optional(),
  /**
   * KiB at which the memory of a card begins, by a setting. Left out: it goes on where the board's ends. Of expanded
   * memory: where it fills conventional memory up from (backfill), 640 for not at all; left out: it cannot.
   */
  startKiB: z6.strictObject({ setting: Id, values: z6.record(Id, z6.number().int().min(0).max(65536)) }).optional(),
  /** Of memory on a card: with parity or without; left out: nobody looked. */
  parity: z6.boolean().optional(),
  /** In use the whole session (a mouse, a network): its lines are never idle or unused. */
  resident: z6.boolean().default(false),
  /** Usual numbers that override those of the kind: COM1 is 3F8h and IRQ 4. */
  home: z6.strictObject({
    irq: z6.array(z6.number().int()).optional(),
    dma: z6.array(z6.number().int()).optional(),
    io: z6.array(Address).optional(),
    memory: z6.array(Address).optional()
  }).optional()
});
var Constraint = z6.union([
  z6.strictObject({
    /** Only these combinations work (plug-and-play lists, a ROM built for one port base). */
    allow: z6.strictObject({
      settings: z6.array(Id).min(1).max(8),
      rows: z6.array(z6.array(Id)).min(1).max(1024)
    }),
    why: Label
  }),
  z6.strictObject({ forbid: Match, why: Label }),
  /** Two functions of the part that may not meet on a line or address. */
  z6.strictObject({ apart: z6.tuple([Id, Id]), why: Label })
]);
var SlotBus = z6.enum(["isa8", "isa16", "vlb", "pci", "agp", "memory-board", "pc-card"]);
var PcCardType = z6.union([z6.literal(1), z6.literal(2), z6.literal(3)]);
var Slot = z6.strictObject({
  id: Id,
  label: Label.optional(),
  bus: SlotBus,
  /** Longest card that fits, in mm. */
  lengthMm: z6.number().positive().optional(),
  /** Slots with the same word share one bracket: only one of them can be used. */
  bracket: Id.optional(),
  /** Of a slot for PC cards: the thickest that goes in by itself. */
  type: PcCardType.optional(),
  /** Of a slot for PC cards: the slot above it, which a card of type III in this one fills as well. */
  over: Id.optional(),
  /** Reads a card only where the card drives the card-selected line: the short slot next to the supply of the first XT. */
  selected: z6.boolean().optional(),
  /** Whether a local-bus or PCI card may be bus master here; left out: nobody has written it down. */
  master: z6.boolean().optional(),
  /** PCI and AGP: which start-up setting of the board each interrupt pin is wired to. */
  routing: z6.partialRecord(z6.enum(["A", "B", "C", "D"]), Id).optional()
});
var BoardFacts = z6.strictObject({
  class: z6.enum(["xt", "at"]),
  /** A machine that is sold as one: supply and keyboard are its own, and so is the display that its part describes. Left out: an open board. */
  closed: z6.enum(["all-in-one", "portable", "laptop"]).optional(),
  cpu: Label.optional(),
  /** Expansion bus clock in MHz. */
  busMHz: z6.number().positive().optional(),
  slots: z6.array(Slot).max(32),
  /** System BIOS window; left out: F0000h, 64 KiB. */
  bios: z6.strictObject({ base: Address, length: Address }).optional(),
  ...boardFit
});
var CardFacts = z6.strictObject({
  bus: z6.enum(["isa8", "isa16", "vlb", "pci", "agp", "pc-card"]),
  /** Of a PC card. */
  type: PcCardType.optional(),
  lengthMm: z6.number().positive().optional(),
  /** A 16-bit card in an 8-bit slot: works, does not, or nobody has tried. */
  fallback8: z6.enum(["yes", "no", "untried"]).default("untried"),
  /** An 8-bit card whose lower edge reaches down where a 16-bit slot has its extension. */
  skirt: z6.boolean().optional(),
  /** Whether it drives the card-selected line that one slot of the first XT goes by. */
  drivesSelect: z6.enum(["yes", "no", "untried"]).optional(),
  /** Takes the local bus or PCI over by itself: it needs a slot that lets it. */
  master: z6.boolean().optional()
});
var StartupLine = z6.strictObject({
  file: z6.enum(["CONFIG.SYS", "AUTOEXEC.BAT", "SETUP"]),
  text: Label,
  /** Written only while this function is on. */
  when: Id.optional()
});
var Part = z6.strictObject({
  id: Id,
  kind: z6.enum([
    "board",
    "cpu",
    "fpu",
    "memory",
    "card",
    "drive",
    "monitor",
    "supply",
    "keyboard",
    "case",
    "adapter",
    "bios",
    "oscillator"
  ]),
  maker: Label,
  name: Label,
  summary: Text.optional(),
  /** Years in which it was sold; `to` may be left out while unknown. */
  sold: z6.strictObject({ from: z6.number().int().min(1970).max(2010), to: z6.number().int().max(2010).optional() }).optional(),
  price: z6.strictObject({ low: z6.number().min(0), high: z6.number().min(0) }).optional(),
  evidence: z6.array(Evidence).default([]),
  quirks: z6.array(Text).default([]),
  board: BoardFacts.optional(),
  card: CardFacts.optional(),
  cpu: CpuFacts.optional(),
  fpu: FpuFacts.optional(),
  module: ModuleFacts.optional(),
  video: VideoFacts.optional(),
  audio: AudioFacts.optional(),
  drive: DriveFacts.optional(),
  monitor: MonitorFacts.optional(),
  supply: SupplyFacts.optional(),
  keyboard: KeyboardFacts.optional(),
  chassis: ChassisFacts.optional(),
  adapter: AdapterFacts.optional(),
  firmware: FirmwareFacts.optional(),
  oscillator: OscillatorFacts.optional(),
  power: PowerNeed.optional(),
  driver: DriverFacts.optional(),
  look: LookFacts.optional(),
  blocks: z6.array(Block).max(64).default([]),
  settings: z6.array(Setting).max(64).default([]),
  functions: z6.array(PartFunction).max(32).default([]),
  constraints: z6.array(Constraint).max(64).default([]),
  /** What settings say of the machine, beside the lines that they choose. */
  means: z6.array(Meaning).max(32).optional(),
  startup: z6.array(StartupLine).max(16).default([])
});

// src/lib/core/model/wishes.ts
import { z as z7 } from "zod";
var Strictness = z7.enum(["exact", "spirit", "convenient"]);
var Source = z7.enum(["shelf", "prefer-shelf", "anything"]);
var Budget = z7.number().min(0).max(1e6);
var Picture = z7.enum(pictures);
var Wants = z7.strictObject({
  /** The least CPU whose instructions it uses. */
  cpu: CpuFamily.optional(),
  /** Window of the speed index (see the CPU table): below too slow, above too fast. */
  speed: z7.strictObject({ from: z7.number().min(0).optional(), to: z7.number().min(0).optional() }).optional(),
  fpu: z7.enum(["needed", "helps"]).optional(),
  memory: z7.strictObject({
    /** KiB below 640 that must be free before it starts. */
    baseKiB: z7.number().int().min(0).max(640).optional(),
    /** KiB above 1 MiB (extended). */
    extendedKiB: z7.number().int().min(0).max(1048576).optional(),
    /** KiB of expanded memory, from a board or from a driver on a 386. */
    expandedKiB: z7.number().int().min(0).max(32768).optional()
  }).optional(),
  /** Pictures that it offers: one of them is enough. */
  display: z7.array(Picture).optional(),
  /** Sound that it knows: one of them is enough; without any it beeps. */
  audio: z7.array(Ability).optional(),
  /** It is not what it is meant to be without sound. */
  audioNeeded: z7.boolean().optional(),
  diskMiB: z7.number().min(0).max(1e5).optional(),
  /** The floppy that it comes on, in KiB. */
  floppyKiB: z7.number().int().optional(),
  cdrom: z7.boolean().optional(),
  /** Least DOS, as 3.3. */
  dos: z7.number().min(1).max(8).optional(),
  windows: z7.number().min(1).max(5).optional(),
  /**
   * The CPU's virtual 8086 mode, in which a memory manager keeps it: `off`, it switches to protected mode by itself and
   * refuses; `needed`, it works only under one.
   */
  v86: z7.enum(["off", "needed"]).optional(),
  /** Functions that it drives: a mouse, a game port, a modem. */
  functions: z7.array(z7.enum(["mouse", "game", "modem", "serial", "parallel", "network", "scanner", "midi"])).optional()
});
var Wish = z7.discriminatedUnion("kind", [
  /** This very part stays in, working or not. */
  z7.strictObject({ kind: z7.literal("keep"), part: Id, why: Text.optional() }),
  /** Never this part. */
  z7.strictObject({ kind: z7.literal("never"), part: Id, why: Text.optional() }),
  /** A floppy emulator may only stand outside the case. */
  z7.strictObject({ kind: z7.literal("emulator-outside") }),
  /** Nothing in front that was not there when it was sold: no flash adapters, no emulators. */
  z7.strictObject({ kind: z7.literal("original-look") }),
  /** At least this many slots stay free. */
  z7.strictObject({ kind: z7.literal("spare-slots"), count: z7.number().int().min(1).max(8) }),
  /** A function that must be there, whatever program asks for it. */
  z7.strictObject({
    kind: z7.literal("have"),
    what: z7.enum([
      "network",
      "scsi",
      "cdrom",
      "midi",
      "game",
      "modem",
      "mouse",
      "floppy-5",
      "floppy-3",
      "fpu",
      "usb"
    ])
  }),
  /** A hard disk that turns, no flash. */
  z7.strictObject({ kind: z7.literal("real-disk") }),
  /** A picture in colour: card and monitor. */
  z7.strictObject({ kind: z7.literal("colour") }),
  /** No hard disk that turns. */
  z7.strictObject({ kind: z7.literal("quiet") })
]);

// src/lib/core/model/medium.ts
import { z as z8 } from "zod";
var DiskGeometry = z8.strictObject({
  cylinders: z8.number().int().min(1).max(65536),
  heads: z8.number().int().min(1).max(256),
  sectors: z8.number().int().min(1).max(255)
});
var Ribbon = z8.enum(["straight", "floppy-twist", "disk-twist", "end-terminator", "cable-select"]);
var Select = z8.enum(["first", "second", "third", "fourth"]);
var DiskRecord = z8.strictObject({
  /** What this very specimen has, where that is not what its model is said to have. */
  real: z8.strictObject({
    cylinders: z8.number().int().min(1).max(65536),
    heads: z8.number().int().min(1).max(16),
    sectors: z8.number().int().min(1).max(255),
    /** Sectors in all, where the geometry does not tell. */
    total: z8.number().int().min(1).max(2 ** 48).optional()
  }).optional(),
  /** As it is typed into the setup of this machine; type is a number of the table, `user` or `not installed`. */
  setup: DiskGeometry.extend({ type: z8.string().max(20).optional() }).optional(),
  /** Heads and sectors in force when it was partitioned, and where that was. */
  made: z8.strictObject({
    heads: z8.number().int().min(1).max(256),
    sectors: z8.number().int().min(1).max(63),
    where: z8.string().max(120).optional(),
    at: z8.iso.datetime().optional()
  }).optional(),
  /** Geometries that were tried, in which machine, and what happened. */
  tries: z8.array(
    z8.strictObject({
      at: z8.iso.datetime(),
      where: z8.string().max(120),
      cylinders: z8.number().int().min(1).max(65536),
      heads: z8.number().int().min(1).max(256).optional(),
      sectors: z8.number().int().min(1).max(255).optional(),
      result: z8.enum(["started", "hung", "too-small", "not-found"]),
      note: z8.string().max(400).optional()
    })
  ).max(100).default([]),
  /** Cylinders of each partition that is planned. */
  plan: z8.array(z8.number().int().min(1).max(65536)).max(24).optional()
});

// src/lib/core/model/build.ts
import { z as z16 } from "zod";

// src/lib/core/model/shelf.ts
import { z as z9 } from "zod";
var Day = z9.string().regex(/^\d{4}(-\d{2}(-\d{2})?)?$/, finds("no-day"));
var Words = z9.string().max(2e3);
var Condition = z9.enum(["untested", "works", "partly", "faulty", "parts-only"]);
var Trial = z9.strictObject({
  date: Day.optional(),
  /** A build of the application, or any machine by name. */
  build: Id.optional(),
  machine: Label.optional(),
  /** Board, where the machine is no build. */
  board: Id.optional(),
  slot: z9.string().max(20).optional(),
  clockMHz: z9.number().positive().max(2e3).optional(),
  result: z9.enum(["works", "partly", "does-not"]),
  note: Words.optional()
});
var Loan = z9.strictObject({ to: Label, since: Day.optional(), back: Day.optional() });
var ShelfItem = z9.strictObject({
  id: Id,
  part: Id,
  label: line(120).optional(),
  condition: Condition.default("untested"),
  /** Positions as they were found on it. */
  asFound: z9.record(Id, Id).default({}),
  /** Where it lies. */
  place: line(120).optional(),
  cost: z9.number().min(0).max(1e6).optional(),
  bought: Day.optional(),
  notes: Words.optional(),
  trials: z9.array(Trial).max(200).default([]),
  /** A disk or card as a medium: how it was made, and every machine and setup it was tried in. */
  medium: DiskRecord.optional(),
  loans: z9.array(Loan).max(100).default([]),
  evidence: z9.array(Evidence).max(50).default([])
});
var PhotoMarks = z9.array(
  z9.strictObject({
    x: z9.number().min(0).max(100),
    y: z9.number().min(0).max(100),
    text: z9.string().trim().min(1, finds("what-it-is")).max(200),
    /** The block, pin, slot or cable of the part that it stands on, as `markPlaces` names it. */
    on: z9.string().max(120).optional()
  })
).max(60);
var Sighting = z9.strictObject({
  id: Id,
  name: z9.string().trim().min(1, finds("no-name")).max(120),
  kind: z9.enum(["board", "card"]),
  seen: z9.array(
    z9.strictObject({
      feature: z9.string().max(120),
      value: z9.union([z9.boolean(), z9.number().int().min(0).max(200), z9.string().max(120)])
    })
  ).max(200).default([]),
  /** Date codes off chips, YYWW. */
  dates: z9.array(z9.string().max(10)).max(40).default([]),
  notes: Words.optional()
});

// src/lib/core/model/start.ts
import { z as z10 } from "zod";
var STAGES = [
  "rails",
  "reset",
  "fetch",
  "rom",
  "timer",
  "memory",
  "controllers",
  "setup",
  "display",
  "count",
  "keyboard",
  "floppy",
  "disk",
  "roms",
  "summary",
  "boot",
  "partition",
  "system",
  "config",
  "prompt"
];
var StageId = z10.enum(STAGES);
var MESSAGES = [
  "memory",
  "memory-size",
  "settings",
  "display-type",
  "keyboard",
  "locked",
  "floppy",
  "disk",
  "rom",
  "not-system",
  "no-system",
  "no-boot",
  "interpreter"
];
var MessageId = z10.enum(MESSAGES);
var Power = z10.enum(["still", "twitch", "ticks", "runs"]);
var Start = z10.strictObject({
  at: z10.iso.datetime(),
  /** Fan and lights: nothing, a twitch and off, ticking, or it runs. */
  power: Power.optional(),
  /** Beeps as they were heard: `none`, `3`, `1 long 2 short`, `1-3-3`, `repeated`. */
  beeps: z10.string().trim().max(60).optional(),
  /** They were counted from a film with sound. */
  filmed: z10.boolean().optional(),
  screen: z10.enum(["dark", "text"]).optional(),
  /** Dark for 60 s, on a monitor that is known good, and looked at twice. */
  darkSure: z10.boolean().optional(),
  /** The last stage of which something was seen. */
  reached: StageId.optional(),
  /** It went no further. */
  stays: z10.boolean().optional(),
  /** Messages that were read; an empty list: the screen was read and had none. */
  messages: z10.array(MessageId).max(13).optional(),
  /**
   * What was done since the start before: a test by its name, `nothing` for only switching on again. Left out: something
   * else was changed, or nobody said, and what was seen before no longer counts.
   */
  after: z10.string().max(80).optional(),
  /** Not a start: something was measured or looked at, and the fault it looks for was there or not. */
  read: z10.strictObject({ test: z10.string().max(40), found: z10.boolean() }).optional(),
  note: z10.string().max(400).optional()
});

// src/lib/core/model/trial.ts
import { z as z11 } from "zod";
var TrialThing = z11.strictObject({ sort: line(24), name: line(40) });
var starts = z11.number().int().min(0).max(999);
var TrialRow = z11.strictObject({
  at: z11.iso.datetime(),
  things: z11.array(TrialThing).min(1, finds("no-thing")).max(12),
  /** What else was the same in all of these starts: clock, temperature, slot. */
  factors: z11.record(z11.string().min(1).max(24), z11.string().min(1).max(40)).refine(...atMost(8)),
  good: starts,
  bad: starts
}).refine(({ good, bad: bad2 }) => good + bad2 > 0, finds("no-start"));

// src/lib/core/model/intake.ts
import { z as z12 } from "zod";
var INTAKE_SOURCES = ["seen", "read", "told", "guess", "not-seen"];
var IntakeSource = z12.enum(INTAKE_SOURCES);
var IntakeAnswer = z12.strictObject({
  at: z12.iso.datetime(),
  source: IntakeSource,
  by: z12.string().trim().max(80).optional(),
  text: z12.string().trim().max(600).optional(),
  /** There is a photograph of it. */
  photo: z12.boolean().optional()
});
var Intake = z12.strictObject({
  answers: z12.record(z12.string().max(40), z12.array(IntakeAnswer).max(40)).refine(...atMost(80)).default({}),
  /** Taken as found: from then on an answer is added with a note, and none is taken away. */
  frozen: z12.strictObject({ at: z12.iso.datetime(), sha256: z12.string().max(64).optional() }).optional()
});

// src/lib/core/model/rails.ts
import { z as z13 } from "zod";

// src/lib/core/model/plugs.ts
var PLUGS = ["at", "atx20", "drive", "floppy", "slot"];

// src/lib/core/model/rails.ts
var PlugId = z13.enum(PLUGS);
var RailReadings = z13.strictObject({
  at: z13.iso.datetime(),
  /** Of ohms: on which side of the pulled plug. */
  side: z13.enum(["board", "supply"]).optional(),
  /** Of ohms: everything unplugged, 30 seconds after switching off. */
  off: z13.boolean().optional(),
  /** Of ohms, at the board: with cards in. */
  cards: z13.boolean().optional(),
  /** Of volts: at least the least load hung on the supply. */
  loaded: z13.boolean().optional(),
  /** By the number of the pin. */
  pins: z13.record(z13.string().regex(/^\d{1,2}$/), z13.string().trim().min(1).max(20))
});
var Rails = z13.partialRecord(
  z13.enum(PLUGS.flatMap((p) => [`${p}-ohms`, `${p}-volts`])),
  RailReadings
);
var ShortStep = z13.strictObject({
  out: z13.array(Id).max(60),
  isShort: z13.boolean(),
  at: z13.iso.datetime()
});
var Mishap = z13.strictObject({ at: z13.iso.datetime(), cased: z13.boolean().optional() });

// src/lib/core/model/rescue.ts
import { z as z14 } from "zod";
var RESCUE_STATES = ["silent", "hums", "spins", "ready", "errors", "scraping", "good"];
var RescueState = z14.enum(RESCUE_STATES);
var At = z14.iso.datetime();
var Sha256 = z14.string().trim().regex(/^[0-9a-f]{64}$/i, finds("no-hash"));
var RescueDisk = z14.strictObject({
  state: RescueState.optional(),
  /** Data on it of which there is no other copy. */
  unique: z14.enum(["yes", "no"]).optional(),
  /** Starts of the drive, in order: it became ready or not. */
  starts: z14.array(z14.strictObject({ at: At, ready: z14.boolean() })).max(200).optional(),
  /** Ready since then, and not switched off since. */
  readySince: At.optional(),
  /** An image that was taken: where it lies, its hash, and whether all of it could be read. */
  image: z14.strictObject({
    at: At,
    where: z14.string().trim().min(1, finds("where-image")).max(200),
    sha256: Sha256.optional(),
    partial: z14.boolean().optional()
  }).optional(),
  /** Somebody goes on without an image, and says why. */
  wayPast: z14.strictObject({
    at: At,
    by: z14.string().trim().min(1, finds("who")).max(80),
    why: z14.string().trim().min(1, finds("why")).max(300)
  }).optional()
});

// src/lib/core/model/boot.ts
import { z as z15 } from "zod";
var bytes = z15.number().int().min(0).max(1048576);
var file = z15.string().max(65536, finds("dos-file-size"));
var OwnDriver = z15.strictObject({
  /** As it is called on the disk, with its ending. */
  file: z15.string().trim().regex(/^[A-Za-z0-9_$~!#%&@'{}()-]{1,8}(\.[A-Za-z0-9_$~!#%&@'{}()-]{1,3})?$/, finds("dos-file-name")),
  where: z15.enum(["config", "autoexec"]),
  /** Bytes. */
  load: bytes,
  stay: bytes,
  high: z15.boolean(),
  args: z15.string().trim().max(80).optional()
});
var Tried = z15.strictObject({
  at: z15.iso.datetime(),
  result: z15.enum(["works", "too-fast", "too-slow", "silent", "crashes", "refuses"]),
  note: z15.string().trim().max(400).optional()
});
var LAYOUTS = [
  "BE",
  "CF",
  "DK",
  "FR",
  "GR",
  "IT",
  "LA",
  "NL",
  "NO",
  "PO",
  "SF",
  "SG",
  "SP",
  "SU",
  "SV",
  "UK"
];
var EXTRAS = [
  "ansi",
  "doskey",
  "setver",
  "share",
  "ramdrive",
  "append",
  "print",
  "fastopen",
  "graphics",
  "power",
  "mixer",
  "sound-emulation",
  "midi-emulation"
];
var NET_STACKS = ["packet", "odi", "ndis"];
var BootRecord = z15.strictObject({
  /** The user's own files. */
  config: file.optional(),
  autoexec: file.optional(),
  /** Bytes by the name of the program, without its ending. */
  sizes: z15.record(z15.string().min(1).max(12), z15.strictObject({ stay: bytes, load: bytes.optional() })).refine(...atMost(60)).optional(),
  /** Drivers, by their id in the table: whether they lie ready on a medium that this machine reads. */
  inHand: z15.record(z15.string().max(40), z15.boolean()).refine(...atMost(60)).optional(),
  /** Drivers that are in no table. */
  own: z15.array(OwnDriver).max(12).optional(),
  /** Tries of programs, by the program. */
  tried: z15.record(z15.string().max(64), z15.array(Tried).max(20)).refine(...atMost(60)).optional(),
  /** A disk cache is wanted. */
  cache: z15.boolean().optional(),
  /** Layout of the keyboard; left out: that of the United States, which takes no line. */
  layout: z15.enum(LAYOUTS).optional(),
  /** Letters of code page 850 on the screen, with the layout. */
  codePage: z15.boolean().optional(),
  extras: z15.array(z15.enum(EXTRAS)).max(EXTRAS.length).optional(),
  /** Left out: a packet driver. */
  network: z15.enum(NET_STACKS).optional(),
  /** What `DIR C:\\ /S /B` shows: the files that are on the disk. */
  listing: file.optional(),
  /** When the user went on with the disk although drivers were not noted as in hand. */
  wentOn: z15.iso.datetime().optional(),
  /** Handler of HIMEM.SYS for line A20 that works here; left out: the one that it finds by itself. */
  a20: z15.number().int().min(1).max(17).optional(),
  /** Where the page frame is wanted; left out: wherever it leaves most. */
  frame: z15.number().int().min(786432).max(917504).multipleOf(16384).optional(),
  /** The setup leaves a hole for a card at this MiB; null or left out: none that is known. */
  holeMiB: z15.union([z15.literal(14), z15.literal(15)]).optional(),
  /** Upper windows that were tried and are free, by their name in the map. */
  free: z15.array(z15.enum(["mono", "e-segment", "rom-tail"])).max(3).optional()
});

// src/lib/core/model/build.ts
var Text2 = z16.string().max(4e3);
var Positions = z16.record(Id, Id);
var BlockPicture = z16.strictObject({
  at: z16.iso.date(),
  /** What it was read as, and confirmed. */
  state: State,
  /** Places that the picture left open or showed otherwise, and that somebody told by looking. */
  told: z16.number().int().min(0).max(40),
  image: z16.string().max(12e3).regex(/^data:image\/(?:jpeg|png|webp);base64,[A-Za-z0-9+/]+={0,2}$/, finds("no-picture"))
});
var Item = z16.strictObject({
  id: Id,
  part: Id,
  label: line(120).optional(),
  /** Slot of the board; left out while it is not seated. */
  slot: Id.optional(),
  /** Where it sits when that is no slot: a memory bank, a drive bay. */
  place: Id.optional(),
  /** How many of it: modules in a bank. */
  count: z16.number().int().min(1).max(36).optional(),
  /**
   * The item, and its function where it has several, that its cable goes to; the unit is master, slave, an ID;
   * the plug its place on the cable counted from the controller; the select the jumper of a floppy drive.
   */
  cable: z16.strictObject({
    to: Id,
    function: Id.optional(),
    unit: z16.string().max(20).optional(),
    plug: z16.number().int().min(1).max(15).optional(),
    select: Select.optional()
  }).optional(),
  /** The cable on each of its functions that runs drives. */
  ribbons: z16.record(Id, Ribbon).optional(),
  /** Whether its terminators are in, of a drive or a host adapter. Left out: nobody looked. */
  terminated: z16.boolean().optional(),
  /** The shelf item that this is. */
  specimen: Id.optional(),
  /** A hard disk or card as a medium. */
  disk: DiskRecord.optional(),
  /** Slot in which it was found, when the plan is to move it. */
  slotAsFound: Id.optional(),
  /** Positions as found on the bench. A setting that is not listed was not looked at. */
  asFound: Positions.default({}),
  /** Blocks as they were seen, where that says more than the positions: half looked at, or in no table. */
  seen: z16.record(Id, State).optional(),
  /** It was found bad: by what was tried here, or the shelf says so. */
  foundBad: z16.strictObject({ at: z16.iso.date(), by: z16.enum(["start", "shelf"]), why: line(200).optional() }).optional(),
  /** On loan from another machine: neither of the two is as it was. */
  borrowed: z16.strictObject({ from: Id, name: line(120), at: z16.iso.date() }).optional(),
  /** Tries of this card in slots, here and elsewhere: they stand above what the catalogue says of its kind. */
  tried: z16.array(Trial).max(60).optional(),
  /** Photographs of blocks from which they were read. */
  pictures: z16.record(Id, BlockPicture).refine(...atMost(24)).optional(),
  /** Positions the plan wants. A setting that is not listed stays as found. */
  chosen: Positions.default({}),
  /** Settings on which the user's word is final. */
  locked: z16.array(Id).max(64).default([]),
  notes: Text2.optional()
});
var FunctionRef = z16.strictObject({ item: Id, function: Id });
var Need = z16.strictObject({
  kind: z16.string().max(40),
  irq: z16.array(z16.number().int().min(0).max(15)).optional(),
  dma: z16.array(z16.number().int().min(0).max(7)).optional(),
  io: z16.array(Address).optional(),
  memory: z16.array(Address).optional(),
  weight: z16.union([z16.literal("hard"), z16.number().int().min(1).max(100)]).default("hard"),
  why: z16.string().max(400).optional()
});
var Profile = z16.strictObject({
  id: Id,
  name: z16.string().min(1).max(120),
  /** The year in which it came out. */
  year: z16.number().int().min(1975).max(2005).optional(),
  summary: z16.string().max(400).optional(),
  /** What it asks of the machine beside lines. */
  wants: Wants.optional(),
  needs: z16.array(Need).max(32).default([])
});
var Tick = z16.strictObject({
  at: z16.iso.datetime(),
  text: z16.string().max(400),
  item: Id.optional(),
  setting: Id.optional(),
  from: z16.string().max(64).optional()
});
var Teardown = z16.strictObject({
  id: Id,
  at: z16.iso.datetime(),
  kind: z16.enum(["screw", "cable", "card", "drive", "supply", "board", "cover", "other"]),
  what: z16.string().trim().min(1, finds("what-came-off")).max(200),
  /** Where it was: a plug, a slot, which way round. */
  where: z16.string().max(200).optional(),
  /** Pins of the board that it was on. */
  header: Id.optional(),
  /** Put back. */
  back: z16.iso.datetime().optional()
});
var Brief = z16.strictObject({
  /** Year and month that the machine stands for, as 1991-03. */
  date: z16.string().regex(/^\d{4}(-\d{2})?$/, finds("no-month")).optional(),
  role: Text2.optional(),
  os: z16.string().max(120).optional(),
  strictness: Strictness.optional(),
  budget: Budget.optional(),
  /** Where the parts of a plan may come from. */
  source: Source.optional(),
  wishes: z16.array(Wish).max(24).optional(),
  profiles: z16.array(Profile).max(40).default([]),
  /** Functions that must be on whatever it costs. */
  mustBeOn: z16.array(FunctionRef).max(200).default([]),
  /** Functions that the machine can do without. */
  mayBeOff: z16.array(FunctionRef).max(200).default([])
});
var Build = z16.strictObject({
  id: Id,
  name: Name,
  notes: z16.string().max(2e4).optional(),
  brief: Brief.default({ profiles: [], mustBeOn: [], mayBeOff: [] }),
  board: Item,
  items: z16.array(Item).max(40).default([]),
  /** Items that lie ready and could be exchanged for a fitted one. */
  shelf: z16.array(Item).max(200).default([]),
  /** Pairs of functions of which the user says: never used at the same time. */
  neverTogether: z16.array(z16.tuple([FunctionRef, FunctionRef])).max(100).default([]),
  /** Functions in use the whole session (a mouse on COM1). */
  resident: z16.array(FunctionRef).max(100).default([]),
  acknowledged: z16.array(z16.string().max(300)).max(500).default([]),
  /** Ticked steps of the bench sheet, by key. */
  done: z16.record(z16.string().max(200), Tick).refine(...atMost(1e3)).optional(),
  /** Steps of taking it apart, by id. */
  teardown: z16.record(Id, Teardown).refine(...atMost(300)).optional(),
  /** Starts of the machine, with what was seen and heard of each, by id. */
  starts: z16.record(Id, Start).refine(...atMost(300)).optional(),
  /** Arrangements that were tried by swapping parts, and how they went. */
  trials: z16.array(TrialRow).max(200).optional(),
  /** What a meter showed at the plugs. */
  rails: Rails.optional(),
  /** Readings on the way to a short, by halves. */
  shortHunt: z16.array(ShortStep).max(60).optional(),
  /** The plugs were exchanged under power. */
  mishap: Mishap.optional(),
  /** Answers before the first power, by question; what is left out is not known. */
  firstPower: z16.record(z16.string().max(20), z16.string().max(20)).refine(...atMost(20)).optional(),
  /** What is known of the data on its drives, by item. */
  rescue: z16.record(Id, RescueDisk).refine(...atMost(40)).optional(),
  /** Answers of the intake by entry, see `Intake`. */
  intake: Intake.optional(),
  /** Checks before the first power that were done or skipped, by check. */
  powerChecks: z16.record(
    z16.string().max(40),
    z16.strictObject({ at: z16.iso.datetime(), done: z16.boolean(), by: z16.string().trim().max(80).optional() })
  ).refine(...atMost(60)).optional(),
  /** Its start files, what MEM showed, which drivers lie ready. */
  boot: BootRecord.optional(),
  /** What sits on each row of pins of the board, in the words of whoever unplugged it. */
  pins: z16.record(Id, z16.string().max(400)).optional(),
  /**
   * Set when the build came in a file of a newer minor version: that version, and the fields beside
   * the build that this release does not know. They are kept and written out again.
   */
  newer: z16.strictObject({
    minor: z16.number().int().min(0).max(1e4),
    fields: z16.record(z16.string().max(64), z16.unknown())
  }).optional()
});
var FORMAT_VERSION = 1;
var FORMAT_NAME = "yellow-jumper/build";
var BuildFile = z16.strictObject({
  format: z16.literal(FORMAT_NAME),
  version: z16.literal(FORMAT_VERSION),
  minor: z16.number().int().min(0).max(1e4).default(0),
  build: Build,
  parts: z16.array(Part).max(250)
});

// src/lib/core/model/block-kinds.ts
var BLOCK_KINDS = {
  header: { state: "caps", byHand: true, cost: 3, prefix: "JP" },
  dip: { state: "switches", byHand: true, cost: 2, prefix: "SW" },
  rotary: { state: "step", byHand: true, cost: 2, prefix: "SW" },
  slide: { state: "step", byHand: true, cost: 2, prefix: "SW" },
  solder: { state: "bridges", byHand: true, cost: 12, prefix: "SB" },
  resistor: { state: "bridges", byHand: true, cost: 4, prefix: "RN" },
  firmware: { state: "value", byHand: false, cost: 12, prefix: "U" },
  software: { state: "value", byHand: false, cost: 1, prefix: "P" },
  pnp: { state: "value", byHand: false, cost: 0, prefix: "P" },
  startup: { state: "value", byHand: false, cost: 0, prefix: "P" },
  bay: { state: "value", byHand: false, cost: 1, prefix: "B" }
};
var formOf = (state) => "caps" in state ? "caps" : "switches" in state ? "switches" : "step" in state ? "step" : "bridges" in state ? "bridges" : "value";
function placesOf(block) {
  switch (block.kind) {
    case "header":
      return block.rows * block.columns;
    case "dip":
      return block.switches;
    case "rotary":
    case "slide":
      return block.steps;
    case "solder":
      return block.bridges;
    case "resistor":
      return block.packs;
    default:
      return 0;
  }
}

// src/lib/core/model/notebook.ts
import { z as z17 } from "zod";
var Subject = z17.string().trim().min(1, finds("what-it-decides")).max(40);
var Value2 = z17.string().trim().min(1, finds("what-it-means")).max(60);
var FragmentRow = z17.strictObject({ block: Id, state: State, subject: Subject, value: Value2 });
var Fragment = z17.strictObject({
  id: Id,
  source: Evidence.shape.source,
  title: Label,
  rows: z17.array(FragmentRow).max(300).default([])
});
var Outcome = z17.enum(["ran", "slow", "froze", "dead", "not-noted"]);
var BoardTry = z17.strictObject({
  at: z17.iso.datetime().optional(),
  states: z17.record(Id, State),
  saw: z17.record(Subject, Value2).default({}),
  happened: Outcome.default("not-noted"),
  note: z17.string().max(400).optional()
});
var Notebook = z17.strictObject({
  id: Id,
  name: Name,
  /** Part of the catalogue that it looks like, from which an export starts. */
  like: Id.optional(),
  blocks: z17.array(Block).max(16).default([]),
  /** Facts that its blocks may decide. */
  subjects: z17.array(Subject).max(24).default([]),
  fragments: z17.array(Fragment).max(24).default([]),
  tries: z17.array(BoardTry).max(200).default([]),
  notes: z17.string().max(4e3).optional()
});

// src/lib/core/model/names.ts
var BOARD_ITEM = "board";
var SYSTEM_ITEM = "system";
var PNP_ITEM = "pnp";
var keyOf = (item, id2) => `${item}/${id2}`;

// src/lib/core/model/constraints.ts
function forbidden(part, chosen) {
  return part.constraints.some((constraint) => {
    if ("forbid" in constraint)
      return Object.entries(constraint.forbid).every(
        ([id2, ps]) => id2 in chosen && ps.includes(there(chosen[id2]))
      );
    if ("allow" in constraint) {
      const { settings: settings2, rows: rows2 } = constraint.allow;
      return !rows2.some(
        (row2) => row2.every((p, i) => !(there(settings2[i]) in chosen) || chosen[there(settings2[i])] === p)
      );
    }
    return false;
  });
}

// src/lib/core/model/facts-of-kind.ts
var FACTS_OF_KIND = {
  board: "board",
  cpu: "cpu",
  fpu: "fpu",
  memory: "module",
  card: "card",
  drive: "drive",
  monitor: "monitor",
  supply: "supply",
  keyboard: "keyboard",
  case: "chassis",
  adapter: "adapter",
  bios: "firmware",
  oscillator: "oscillator"
};
var hasFacts = (part, key) => part[key] !== void 0;
var isOfKind = (part, kind2) => part.kind === kind2 && part[FACTS_OF_KIND[kind2]] !== void 0;

// src/lib/core/model/check-part.ts
function checkPart(part) {
  const problems = [];
  const say = (path, flaw) => problems.push({ path, flaw });
  const blocks = new Map(part.blocks.map((block) => [block.id, block]));
  const settings2 = new Map(part.settings.map((setting) => [setting.id, setting]));
  const functions2 = new Set(part.functions.map((fn) => fn.id));
  for (const [name2, list2] of [
    ["blocks", part.blocks],
    ["settings", part.settings],
    ["functions", part.functions],
    ["board.slots", part.board?.slots ?? []]
  ])
    repeated(list2.map((x) => x.id)).forEach((id2) => say(name2, { is: "twice", id: id2 }));
  const facts2 = FACTS_OF_KIND[part.kind];
  if (!part[facts2]) say(facts2, { is: "no-facts", kind: part.kind });
  if (part.sold?.to !== void 0 && part.sold.to < part.sold.from) say("sold", { is: "sold-backwards" });
  part.settings.forEach((setting, i) => {
    const at2 = `settings[${i}]`;
    const block = setting.block === void 0 ? void 0 : blocks.get(setting.block);
    if (setting.block !== void 0 && !block) say(`${at2}.block`, { is: "no-block", id: setting.block });
    repeated(setting.positions.map((p) => p.id)).forEach((id2) => say(`${at2}.positions`, { is: "twice", id: id2 }));
    if (setting.known && setting.positions.length === 0) say(`${at2}.positions`, { is: "no-positions" });
    if (setting.known && setting.default === void 0) say(`${at2}.default`, { is: "no-default" });
    if (setting.default !== void 0 && !has(setting, setting.default))
      say(`${at2}.default`, { is: "no-position", id: setting.default });
    setting.positions.forEach((position, j) => {
      if (position.state && block)
        stateProblem(position.state, block).forEach((f) => say(`${at2}.positions[${j}].state`, f));
      if (position.state && !block) say(`${at2}.positions[${j}].state`, { is: "no-block-for-state" });
    });
  });
  const checkMatch = (match, at2) => {
    for (const [id2, positions] of Object.entries(match)) {
      const setting = settings2.get(id2);
      if (!setting) say(at2, { is: "no-setting", id: id2 });
      else
        positions.forEach((p) => {
          if (!has(setting, p)) say(at2, { is: "no-such-position", setting: id2, position: p });
        });
    }
  };
  part.functions.forEach((fn, i) => {
    fn.off.forEach((match, j) => checkMatch(match, `functions[${i}].off[${j}]`));
    if (fn.startKiB)
      checkMatch({ [fn.startKiB.setting]: Object.keys(fn.startKiB.values) }, `functions[${i}].startKiB`);
    repeated(fn.claims.flatMap((c) => c.id ?? [])).forEach(
      (id2) => say(`functions[${i}].claims`, { is: "twice", id: id2 })
    );
    fn.claims.forEach(
      (claim, j) => claimProblems(claim, part, settings2).forEach(
        (p) => say(`functions[${i}].claims[${j}]${p.path}`, p.flaw)
      )
    );
  });
  part.constraints.forEach((constraint, i) => {
    const at2 = `constraints[${i}]`;
    if ("forbid" in constraint) checkMatch(constraint.forbid, at2);
    if ("apart" in constraint)
      constraint.apart.forEach((id2) => {
        if (!functions2.has(id2)) say(at2, { is: "no-function", id: id2 });
      });
    if ("allow" in constraint) {
      const ids = constraint.allow.settings;
      constraint.allow.rows.forEach((row2, j) => {
        if (row2.length !== ids.length)
          say(`${at2}.allow.rows[${j}]`, { is: "row-length", entries: row2.length, settings: ids.length });
        else
          checkMatch(Object.fromEntries(ids.map((id2, k) => [id2, [there(row2[k])]])), `${at2}.allow.rows[${j}]`);
      });
    }
  });
  part.means?.forEach((meaning, i) => {
    const setting = settings2.get(meaning.setting);
    if (!setting) say(`means[${i}].setting`, { is: "no-setting", id: meaning.setting });
    else
      for (const p of Object.keys(meaning.values))
        if (!has(setting, p))
          say(`means[${i}].values`, { is: "no-such-position", setting: setting.id, position: p });
  });
  part.board?.slots.forEach(
    (slot2, i) => Object.values(slot2.routing ?? {}).forEach((id2) => {
      if (!settings2.has(id2)) say(`board.slots[${i}].routing`, { is: "no-setting", id: id2 });
    })
  );
  problems.push(...sizeProblems(part));
  part.startup.forEach((line2, i) => {
    if (line2.when !== void 0 && !functions2.has(line2.when))
      say(`startup[${i}].when`, { is: "no-function", id: line2.when });
  });
  return problems;
}
var PART_LIMITS = { claims: 48, functions: 16, combinations: 4096, rows: 2048 };
function decidedTogether(part) {
  const sets = /* @__PURE__ */ new Map();
  const put = (ids) => {
    const own = [...new Set(ids)].sort();
    sets.set(own.join(" "), own);
  };
  for (const fn of part.functions) {
    const off = fn.off.flatMap((match) => Object.keys(match));
    put(off);
    for (const { from } of fn.claims)
      put([...off, ...from ? "setting" in from ? [from.setting] : from.settings : []]);
  }
  for (const c of part.constraints)
    put("allow" in c ? c.allow.settings : "forbid" in c ? Object.keys(c.forbid) : []);
  return [...sets.values()];
}
var combinations = (part, ids) => ids.reduce((n2, id2) => n2 * Math.max(1, part.settings.find((s2) => s2.id === id2)?.positions.length ?? 1), 1);
var blockKind = (part, setting) => part.blocks.find((b) => b.id === setting.block)?.kind;
function sizeProblems(part) {
  const { functions: functions2, claims, rows: rows2, combinations: most } = PART_LIMITS;
  const inBays = part.settings.filter((s2) => blockKind(part, s2) === "bay").map((s2) => s2.id);
  const sizes = [
    ["functions", "functions", part.functions.length, functions2],
    ["functions", "claims", part.functions.reduce((n2, fn) => n2 + fn.claims.length, 0), claims],
    [
      "constraints",
      "rows",
      part.constraints.reduce((n2, c) => n2 + ("allow" in c ? c.allow.rows.length : 0), 0),
      rows2
    ],
    ["settings", "layouts", combinations(part, inBays), most],
    [
      "settings",
      "joint positions",
      decidedTogether(part).reduce((n2, ids) => n2 + combinations(part, ids), 0),
      2 * most
    ]
  ];
  return sizes.filter(([, , n2, limit]) => n2 > limit).map(([path, what, n2, limit]) => ({ path, flaw: { is: "too-many", what, n: n2, most: limit } }));
}
var has = (setting, position) => setting.positions.some((p) => p.id === position);
function repeated(ids) {
  const seen3 = /* @__PURE__ */ new Set();
  const twice2 = /* @__PURE__ */ new Set();
  for (const id2 of ids) (seen3.has(id2) ? twice2 : seen3).add(id2);
  return [...twice2];
}
var BEYOND = {
  caps: {
    what: "pin",
    numbers: (state, most) => ("caps" in state ? state.caps.flat() : []).filter((pin) => pin > most)
  },
  switches: {
    what: "switch",
    numbers: (state, most) => Object.keys("switches" in state ? state.switches : {}).map(Number).filter((n2) => n2 < 1 || n2 > most)
  },
  step: {
    what: "step",
    numbers: (state, most) => "step" in state && state.step >= most ? [state.step] : []
  },
  bridges: {
    what: "bridge",
    numbers: (state, most) => ("bridges" in state ? state.bridges : []).filter((n2) => n2 > most)
  },
  value: null
};
function stateProblem(state, block) {
  const form4 = formOf(state);
  if (BLOCK_KINDS[block.kind].state !== form4)
    return [{ is: "wrong-form", form: form4, block: block.id, kind: block.kind }];
  const beyond2 = BEYOND[form4];
  const most = placesOf(block);
  return beyond2?.numbers(state, most).map((n2) => ({ is: "beyond", what: beyond2.what, n: n2, most })) ?? [];
}
var largest = { irq: 15, dma: 7, io: 65535, memory: 4294967295 };
function claimProblems(claim, part, settings2) {
  const problems = [];
  const say = (path, flaw) => problems.push({ path, flaw });
  const forms3 = [
    claim.value !== void 0,
    claim.from !== void 0,
    claim.resource === "irq" && claim.pin !== void 0
  ];
  if (forms3.filter(Boolean).length !== 1) say("", { is: "sources", mayBePin: claim.resource === "irq" });
  const size2 = claim.resource === "io" || claim.resource === "memory" ? claim.length : 1;
  const checkValue = (value, path) => {
    if (value !== null && value !== void 0 && value + size2 - 1 > largest[claim.resource])
      say(path, { is: "past-last", value, resource: claim.resource });
  };
  checkValue(claim.value, ".value");
  const source = claim.from;
  if (!source) return problems;
  const ids = "setting" in source ? [source.setting] : source.settings;
  const missing2 = ids.filter((id2) => !settings2.has(id2));
  missing2.forEach((id2) => say(".from", { is: "no-setting", id: id2 }));
  if (missing2.length) return problems;
  if ("setting" in source) {
    const setting = entryOf(settings2, source.setting);
    for (const [id2, value] of Object.entries(source.values)) {
      if (!has(setting, id2))
        say(".from.values", { is: "no-such-position", setting: setting.id, position: id2 });
      checkValue(value, `.from.values.${id2}`);
    }
    setting.positions.filter((p) => !(p.id in source.values)).forEach((p) => say(".from.values", { is: "position-missing", id: p.id }));
    return problems;
  }
  source.rows.forEach((row2, i) => {
    checkValue(row2.value, `.from.rows[${i}].value`);
    for (const [id2, position] of Object.entries(row2.when)) {
      if (!ids.includes(id2)) say(`.from.rows[${i}]`, { is: "not-among", id: id2 });
      else if (!has(entryOf(settings2, id2), position))
        say(`.from.rows[${i}]`, { is: "no-such-position", setting: id2, position });
    }
  });
  if (problems.length || combinations(part, ids) > PART_LIMITS.combinations) return problems;
  const hole = firstHole(
    ids.map((id2) => entryOf(settings2, id2)),
    (chosen) => source.rows.some((row2) => Object.entries(row2.when).every(([id2, p]) => chosen[id2] === p)) || forbidden(part, chosen)
  );
  if (hole) say(".from.rows", { is: "no-row", chosen: hole });
  return problems;
}
function firstHole(settings2, covered) {
  const walk = (i, chosen) => {
    if (i === settings2.length) return covered(chosen) ? null : chosen;
    for (const position of there(settings2[i]).positions) {
      const hole = walk(i + 1, { ...chosen, [there(settings2[i]).id]: position.id });
      if (hole) return hole;
    }
    return null;
  };
  return walk(0, {});
}

// src/lib/core/model/check-build.ts
function partSet(parts2) {
  return new Map([...parts2].map((part) => [part.id, part]));
}

// src/lib/core/model/finding.ts
var order = { stop: 0, clash: 1, caution: 2, note: 3 };
function worstFirst(findings2) {
  return [...findings2].sort((a, b) => order[a.severity] - order[b.severity]);
}

// src/lib/core/model/told-fields.ts
var numbers = (values) => Object.fromEntries(
  Object.entries(values).filter((e) => typeof e[1] === "number" && e[1] > 0)
);
var words = (values, known3) => Object.fromEntries(Object.entries(values).filter((e) => known3.includes(e[1])));
var offered2 = (key) => (part, setting, values) => part.board && part.board[key] === void 0 && Object.keys(numbers(values)).length ? { ...part, board: { ...part.board, [key]: { setting, values: numbers(values) } } } : null;
var fields = {
  "bus-mhz": offered2("busClock"),
  factor: offered2("multiplier"),
  volts: offered2("coreVolts"),
  "bus-divisor": offered2("busDivisor"),
  display: (part, setting, told) => {
    const values = words(told, ["mono", "colour", "own-bios", "any"]);
    return part.board && !part.board.displaySwitch && Object.keys(values).length ? { ...part, board: { ...part.board, displaySwitch: { setting, values } } } : null;
  },
  fpu: (part, setting, values) => {
    const at2 = (value) => Object.keys(values).find((position) => values[position] === value);
    const [fitted, none] = [at2(1), at2(0)];
    return part.board && !part.board.fpuSwitch && fitted !== void 0 && none !== void 0 ? { ...part, board: { ...part.board, fpuSwitch: { setting, fitted, none } } } : null;
  },
  monitor: (part, setting, told) => {
    const values = words(told, ["mono", "colour", "enhanced-200", "enhanced-350"]);
    return part.video && !part.video.monitorSwitch && Object.keys(values).length ? { ...part, video: { ...part.video, monitorSwitch: { setting, values } } } : null;
  }
};
var known = /* @__PURE__ */ new WeakMap();
function withToldFields(part) {
  if (!part.means?.length) return part;
  const before = known.get(part);
  if (before) return before;
  const kept = [];
  let out2 = part;
  for (const meaning of part.means) {
    const isKnown = part.settings.some((s2) => s2.id === meaning.setting && s2.known);
    const next = isKnown ? fields[meaning.fact]?.(out2, meaning.setting, meaning.values) : null;
    if (next) out2 = next;
    else kept.push(meaning);
  }
  if (out2 !== part) out2 = { ...out2, means: kept };
  known.set(part, out2);
  return out2;
}

// src/lib/core/model/items.ts
function seatItem(build, id2, slot2) {
  const move = (item) => {
    if (item.id !== id2) return item;
    const { slot: old, slotAsFound, ...rest } = item;
    const found = slotAsFound ?? old;
    return { ...rest, ...slot2 ? { slot: slot2 } : {}, ...found && found !== slot2 ? { slotAsFound: found } : {} };
  };
  return { ...build, items: build.items.map(move) };
}
var withItem = (build, id2, to) => ({
  ...build,
  board: build.board.id === id2 ? to(build.board) : build.board,
  items: build.items.map((item) => item.id === id2 ? to(item) : item)
});

// src/lib/core/model/number-words.ts
var WORDS = [
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
  "eleven",
  "twelve"
];
var ANY = new RegExp(`\\b(?:${WORDS.join("|")})\\b`, "gi");
var withDigits = (text) => text.replace(ANY, (word) => String(WORDS.indexOf(word.toLowerCase()) + 1));

// src/lib/core/model/tolerant.ts
import { z as z18 } from "zod";
function tolerant(schema2) {
  const known3 = made.get(schema2);
  if (known3) return known3;
  const def = schema2._zod.def;
  const changed = changes[def.type]?.(def);
  const out2 = changed ? z18.core.clone(schema2, { ...def, ...changed }) : schema2;
  made.set(schema2, out2);
  return out2;
}
var made = /* @__PURE__ */ new Map();
var inner = (def) => ({ innerType: tolerant(def.innerType) });
var changes = {
  object: (def) => ({
    shape: Object.fromEntries(Object.entries(def.shape).map(([key, value]) => [key, tolerant(value)])),
    catchall: z18.unknown()
  }),
  array: (def) => ({ element: tolerant(def.element) }),
  record: (def) => ({ valueType: tolerant(def.valueType) }),
  tuple: (def) => ({ items: def.items.map(tolerant) }),
  union: (def) => ({ options: def.options.map(tolerant) }),
  optional: inner,
  default: inner,
  nullable: inner
};
var TolerantBuild = tolerant(Build);
var TolerantPart = tolerant(Part);
var TolerantFile = tolerant(BuildFile);

// src/lib/core/model/thing.ts
var SECTORS_PER_MB = 1e6 / 512;
var isPort = (kind2) => kind2 === "serial" || kind2 === "parallel" || kind2 === "game";
function jobOf(kinds3) {
  const runsDrives = kinds3.includes("floppy") || kinds3.includes("hard-disk");
  if (runsDrives && kinds3.some(isPort)) return "multi-io";
  return kinds3.find((k) => k !== "rom") ?? kinds3[0] ?? null;
}
function whatOf(part) {
  if (part.board) return { kind: "board", family: part.board.cpuSocket?.families[0] ?? part.board.class };
  if (part.card) {
    const kinds3 = part.functions.map((f) => f.kind);
    return {
      kind: "card",
      bus: part.card.bus,
      does: part.video ? "display" : jobOf(kinds3),
      standard: part.video?.standard ?? null
    };
  }
  if (part.drive) {
    const { medium, sectors, floppyKiB } = part.drive;
    return {
      kind: "drive",
      medium,
      interface: part.drive.interface,
      mb: sectors ? Math.round(sectors / SECTORS_PER_MB) : null,
      floppyKiB: floppyKiB ?? null
    };
  }
  if (part.module) return { kind: "memory", form: part.module.form, kib: part.module.kib };
  return { kind: part.kind };
}
var thingOf = ({ part, title }) => ({
  name: title ?? part.name,
  what: whatOf(part)
});

// src/lib/core/planner/types.ts
var middleWeights = { profiles: 3, period: 3, shelf: 3, cost: 3, speed: 3, slots: 3 };
var sides = ["missed", "rough", "years", "bought", "cost", "slots", "cautions"];

// src/lib/core/kernel/branch.ts
function branch(branches, room3, into) {
  let passed = Infinity;
  for (const one of branches) {
    const most = room3();
    if (one.behind >= most) return Math.min(passed, one.behind);
    if (one.hope >= most) passed = Math.min(passed, one.hope);
    else if (into(one)) return passed;
  }
  return passed;
}

// src/lib/core/kernel/budget.ts
var Stopped = class extends Error {
};
var STOPPED = new Stopped("search stopped");
var ASKED_EVERY = 512;
var Budget2 = class {
  /** @param nodes that were looked at before */
  constructor(limit, shouldStop = () => false, nodes = 0) {
    this.limit = limit;
    this.shouldStop = shouldStop;
    this.nodes = nodes;
  }
  limit;
  shouldStop;
  nodes;
  /** @throws Stopped when this node is one too many, or somebody wants to stop */
  spend() {
    this.nodes++;
    if (this.nodes > this.limit || this.nodes % ASKED_EVERY === 0) this.ask();
  }
  /** Asks at once, before something that takes long. @throws Stopped */
  ask() {
    if (this.nodes > this.limit || this.shouldStop()) throw STOPPED;
  }
};
function stop() {
  throw STOPPED;
}
var isStopped = (error) => error instanceof Stopped;
function attempt(search2, ifStopped) {
  try {
    return search2();
  } catch (error) {
    if (isStopped(error)) return ifStopped();
    throw error;
  }
}

// src/lib/core/kernel/quick-xplain.ts
function quickXplain(items, impossible) {
  const explain2 = (background, delta, rest) => {
    if (delta && impossible(new Set(background))) return [];
    if (rest.length === 1) return [...rest];
    const half = Math.ceil(rest.length / 2);
    const [left3, right] = [rest.slice(0, half), rest.slice(half)];
    const second = explain2([...background, ...left3], left3.length > 0, right);
    const first = explain2([...background, ...second], second.length > 0, left3);
    return [...first, ...second];
  };
  if (items.length === 0 || impossible(/* @__PURE__ */ new Set())) return [];
  return explain2([], false, items);
}

// src/lib/core/boards/tolerances.ts
var CLOCK_ROUNDING = 0.035;
var VOLTS = {
  /** Differences below this are none: they come from adding decimals. */
  same: 1e-3,
  /** How far below its lowest rated voltage a CPU still starts: regulators and labels are that exact. */
  below: 0.15
};
var ISA = {
  /** Cards are made for 8.33 MHz; a hundredth more is rounding. */
  safe: 8.34,
  /** Up to here some cards fail, beyond it expect trouble. */
  marginal: 10,
  /** Above this most cards fail. */
  most: 12
};
var LOCAL_BUS = {
  /** Up to here writes need no wait state and three slots work. */
  noWait: 33.5,
  /** Up to here two slots work, above it one. */
  twoCards: 40.5
};
var SDRAM = { fastAboveMHz: 83.5, fastNs: 8 };
var sameClock = (a, b) => Math.abs(a - b) <= CLOCK_ROUNDING * Math.max(a, b);
var tooFast = (mhz3, rated) => mhz3 > rated * (1 + CLOCK_ROUNDING);
var tooSlow = (mhz3, rated) => mhz3 < rated * (1 - CLOCK_ROUNDING);

// src/lib/core/boards/cpu.ts
var families = {
  "8088": { rank: 0, perMHz: 1, reachKiB: 1024, banks: 8 },
  "8086": { rank: 0, perMHz: 1.4, reachKiB: 1024, banks: 16 },
  "286": { rank: 1, perMHz: 3, reachKiB: 16 * 1024, banks: 16 },
  "386sx": { rank: 2, perMHz: 2.9, reachKiB: 16 * 1024, banks: 16 },
  "386dx": { rank: 2, perMHz: 3.5, reachKiB: 4096 * 1024, banks: 32 },
  "486sx": { rank: 3, perMHz: 8, reachKiB: 4096 * 1024, banks: 32 },
  "486dx": { rank: 3, perMHz: 8, reachKiB: 4096 * 1024, banks: 32 },
  "586": { rank: 3, perMHz: 9, reachKiB: 4096 * 1024, banks: 32 },
  pentium: { rank: 4, perMHz: 16, reachKiB: 4096 * 1024, banks: 64 },
  pentium2: { rank: 5, perMHz: 20, reachKiB: 4096 * 1024, banks: 64 }
};
var runs = (has3, wants) => (
  // A DX is asked for its FPU, which is its own question.
  families[has3].rank >= families[wants].rank
);
function readOffered(offered3, at2, seen3) {
  if (!offered3) return { value: null, setting: null, unseen: false };
  if (Array.isArray(offered3))
    return { value: offered3.length === 1 ? there(offered3[0]) : null, setting: null, unseen: false };
  const position = at2("board", offered3.setting);
  return {
    value: position === void 0 ? null : offered3.values[position] ?? null,
    setting: offered3.setting,
    unseen: !seen3(offered3.setting)
  };
}
function offers(offered3) {
  if (!offered3) return [];
  if (Array.isArray(offered3)) return offered3.map((value) => ({ value, position: null }));
  return Object.entries(offered3.values).map(([position, value]) => ({ value, position }));
}
var ratedFactor = ({ coreMHz, busMHz: busMHz2 }) => Math.round(coreMHz / busMHz2 * 100) / 100;
var hasMultiplierPins = (cpu2) => cpu2.family === "pentium" || cpu2.family === "pentium2" || cpu2.family === "586" || ratedFactor(cpu2) > 2.5;
function factorOn(cpu2, code) {
  const rated = ratedFactor(cpu2);
  if (!hasMultiplierPins(cpu2)) return rated;
  return code === null ? cpu2.openFactor ?? rated : cpu2.reads[String(code)] ?? code;
}
var fpuFamilies = {
  "8087": ["8088", "8086"],
  "287": ["286", "386dx"],
  "387sx": ["386sx"],
  "387dx": ["386dx"],
  "487": ["486sx"]
};
var fpuSuits = (kind2, family3) => fpuFamilies[kind2].includes(family3);
function clocksOf(board3, cpu2, at2, seen3) {
  const facts2 = board3.board;
  const bus = readOffered(facts2.busClock, at2, seen3);
  const code = readOffered(facts2.multiplier, at2, seen3);
  const volts2 = readOffered(facts2.coreVolts, at2, seen3);
  const isOpen = code.setting !== null && code.value === null;
  const factor = cpu2?.cpu && !(isOpen && hasMultiplierPins(cpu2.cpu)) ? factorOn(cpu2.cpu, code.value) : null;
  return {
    bus,
    code,
    volts: volts2,
    factor,
    core: bus.value !== null && factor !== null ? bus.value * factor : null
  };
}
function isaClockOf(board3, busMHz2, at2, seen3) {
  const divisor = readOffered(board3.board.busDivisor, at2, seen3).value;
  return divisor !== null && busMHz2 !== null ? busMHz2 / divisor : board3.board.busMHz ?? null;
}
var speedIndex = (cpu2, coreMHz) => Math.round(coreMHz * families[cpu2.family].perMHz * 10) / 10;
function settingsFor({ board: facts2 }, { cpu: c }) {
  const out2 = {};
  const pick2 = (offered3, fits, better) => {
    const all = offers(offered3);
    if (!all.length) return true;
    const good = all.filter((o) => fits(o.value)).sort((a, b) => better(a.value, b.value));
    if (!good.length) return false;
    const { position } = there(good[0]);
    if (offered3 && !Array.isArray(offered3) && position !== null) out2[offered3.setting] = position;
    return true;
  };
  const nearest = (wanted2) => (a, b) => Math.abs(a - wanted2) - Math.abs(b - wanted2);
  const bus = pick2(
    facts2.busClock,
    (v) => !tooFast(v, c.busMHz),
    (a, b) => b - a
  );
  const factor = !hasMultiplierPins(c) || pick2(facts2.multiplier, (v) => sameClock(factorOn(c, v), ratedFactor(c)), nearest(1));
  const volts2 = pick2(
    facts2.coreVolts,
    (v) => v <= c.volts.high + VOLTS.same && v >= c.volts.low - VOLTS.below,
    nearest((c.volts.low + c.volts.high) / 2)
  );
  const { busClock, busDivisor } = facts2;
  const clock2 = offers(busClock).find(
    (o) => o.position === null || o.position === (busClock && !Array.isArray(busClock) && out2[busClock.setting])
  );
  if (clock2)
    pick2(
      busDivisor,
      (v) => clock2.value / v <= ISA.safe,
      (a, b) => a - b
    );
  return bus && factor && volts2 ? out2 : null;
}
var alsoTakes = {
  pga168: ["socket3"],
  socket3: ["pga168"],
  socket7: ["socket5"]
};
var pinsFit = (sockets2, cpu2) => sockets2.some((s2) => s2 === cpu2 || (alsoTakes[s2] ?? []).includes(cpu2));
function socketTakes(board3, cpu2) {
  const socket3 = board3.board?.cpuSocket;
  if (!socket3 || !cpu2.cpu) return false;
  return socket3.soldered === void 0 && pinsFit(socket3.accepts, cpu2.cpu.socket) && socket3.families.includes(cpu2.cpu.family);
}
var carrierFits = (board3, carrier2) => opensTo(board3.board?.cpuSocket, carrier2.into);
var opensTo = (socket3, sockets2) => socket3 !== void 0 && socket3.soldered === void 0 && sockets2.some((s2) => pinsFit(socket3.accepts, s2));
function withCarrier(board3, carrier2) {
  const { coreVolts: _, cpuSocket, ...facts2 } = board3.board;
  if (!carrier2 || !cpuSocket || !carrierFits(board3, carrier2)) return board3;
  return {
    ...board3,
    board: {
      ...facts2,
      cpuSocket: { ...cpuSocket, accepts: [...carrier2.takes] },
      ...carrier2.volts === void 0 ? {} : { coreVolts: [carrier2.volts] }
    }
  };
}

// src/lib/core/boards/counts.ts
var UNDER_ROMS = 384;
var HIGH_AREA = 64;
var movedKiB = (variant, shadowKiB = 96) => ({ none: 0, "moves-256": 256, "moves-rest": Math.max(0, UNDER_ROMS - shadowKiB), "moves-all": UNDER_ROMS })[variant];
function counted(totalKiB2, variant, { shadowKiB = 96, countsFitted = false, withheldKiB = 0 } = {}) {
  if (totalKiB2 < 1024) {
    const base = Math.min(640, totalKiB2);
    return { base, extended: 0, count: base, xms: 0 };
  }
  const extended = Math.max(0, totalKiB2 - 1024 + movedKiB(variant, shadowKiB) - withheldKiB);
  return {
    base: 640,
    extended,
    count: countsFitted ? totalKiB2 : 640 + extended,
    xms: Math.max(0, extended - HIGH_AREA)
  };
}

// src/lib/core/boards/memory.ts
function fittedKiB(facts2, fills) {
  return facts2.banks.reduce((sum3, bank2) => sum3 + bankKiB(bank2.id, bank2.sockets, fills), facts2.onboardKiB);
}
function bankKiB(id2, sockets2, fills) {
  const own = fills.filter((f) => f.bank === id2);
  const count2 = own.reduce((n2, f) => n2 + f.count, 0);
  const sizes = new Set(own.map((f) => f.module.kib));
  return count2 === sockets2 && sizes.size === 1 ? there(own[0]).module.kib * sockets2 : 0;
}
function shownMemory(total, facts2, shadowKiB = facts2.shadowKiB) {
  const remaps = facts2.remap === "yes" || facts2.remap === "without-shadow" && shadowKiB === 0;
  const { count: count2, base, extended } = counted(total, remaps ? "moves-rest" : "none", {
    shadowKiB,
    withheldKiB: Math.max(0, shadowKiB - UNDER_ROMS)
  });
  return { count: count2, base, extended };
}
function freeBase(shown2, dos, isAt) {
  const taken = dos >= 5 && isAt && shown2.extended >= 64 ? 24 : 60;
  return Math.max(0, shown2.base - taken);
}

// src/lib/core/boards/fillings.ts
function moduleFits(facts2, bank2, part) {
  const module = part.module;
  return !!module && bank2.forms.includes(module.form) && (facts2.sizesKiB.length === 0 || facts2.sizesKiB.includes(module.kib)) && facts2.types.includes(module.type) && (facts2.parity !== "required" || module.parity);
}
function knownFilling(facts2, sizes) {
  return facts2.fillings === void 0 || facts2.fillings.some((row2) => facts2.banks.every((_, i) => (row2[i] ?? 0) === (sizes[i] ?? 0)));
}
var PER_SIZE = 2;
function walkFillings(facts2, choices2, most, visit) {
  const walk = (i, banks3, sizes) => {
    const fills = banks3.map((b) => ({ bank: b.bank, module: b.part.module, count: b.count }));
    const kib4 = fittedKiB(facts2, fills);
    if (kib4 > most || kib4 > facts2.maxKiB) return;
    const isNew = sizes.length === 0 || there(sizes[sizes.length - 1]) > 0;
    if (kib4 > 0 && isNew && knownFilling(facts2, sizes) && !visit({ kib: kib4, banks: banks3 })) return;
    if (i === facts2.banks.length) return;
    const bank2 = there(facts2.banks[i]);
    for (const part of there(choices2[i])) {
      const size2 = part.module.kib;
      const last = banks3.at(-1)?.part.module.kib ?? Infinity;
      if (facts2.fillings === void 0 && size2 > last) continue;
      walk(i + 1, [...banks3, { bank: bank2.id, part, count: bank2.sockets }], [...sizes, size2]);
    }
    const isLeftOut = facts2.fillings !== void 0 ? facts2.fillings.some((row2) => (row2[i] ?? 0) === 0 && row2.slice(i + 1).some((x) => x > 0)) : i + 1 < facts2.banks.length && there(facts2.banks[i + 1]).forms[0] !== bank2.forms[0];
    if (isLeftOut) walk(i + 1, banks3, [...sizes, 0]);
  };
  walk(0, [], []);
}
function fillings(facts2, modules, cost, most = facts2.maxKiB) {
  const best = /* @__PURE__ */ new Map();
  const choices2 = facts2.banks.map((bank2) => cheapestBySize(modules, facts2, bank2, cost));
  walkFillings(facts2, choices2, most, (filling) => {
    const sum3 = filling.banks.reduce((n2, b) => n2 + cost(b.part, b.count), 0);
    const known3 = best.get(filling.kib);
    if (!known3 || sum3 < known3.cost) best.set(filling.kib, { filling, cost: sum3 });
    return true;
  });
  return [...best.values()].map((b) => b.filling).sort((a, b) => a.kib - b.kib);
}
function cheapestBySize(modules, facts2, bank2, cost) {
  const bySize3 = /* @__PURE__ */ new Map();
  for (const part of modules)
    if (moduleFits(facts2, bank2, part)) {
      const { kib: kib4 } = part.module;
      bySize3.set(kib4, [...bySize3.get(kib4) ?? [], part]);
    }
  return [...bySize3.values()].flatMap(
    (list2) => [...list2].sort(
      (a, b) => Number(a.module.ns > facts2.ns) - Number(b.module.ns > facts2.ns) || cost(a, bank2.sockets) - cost(b, bank2.sockets) || (a.id < b.id ? -1 : 1)
    ).slice(0, PER_SIZE)
  );
}

// src/lib/core/boards/waits.ts
var cycleTimes = [
  [60, 110],
  [70, 130],
  [80, 160],
  [100, 190],
  [120, 220],
  [150, 260],
  [200, 330]
];
var cycleTimeOf = (ns) => (cycleTimes.find(([access]) => access >= ns) ?? [0, ns * 1.7])[1];
function waitStates(family3, busMHz2, ns, overheadNs = 60) {
  const early2 = family3 === "8088" || family3 === "8086" || family3 === "286";
  if (!early2) return { needed: null, available: null, rests: null };
  const cycle = 1e3 / busMHz2;
  const available = 2 * cycle - overheadNs;
  const byAccess = Math.ceil((ns - available) / cycle);
  const byCycle = Math.ceil((cycleTimeOf(ns) - 2 * cycle) / cycle);
  const needed2 = Math.min(7, Math.max(0, byAccess, family3 === "286" ? byCycle : 0));
  return {
    needed: needed2,
    available: Math.round(available),
    rests: { cycleNs: Math.round(cycle), overheadNs, leavesNs: Math.round(available) }
  };
}

// src/lib/core/boards/memory-plan.ts
var shadowings = Array.from({ length: 25 }, (_, n2) => n2 * 16);

// src/lib/core/boards/markings.ts
var chip = (kind2, depthK, width) => ({ kind: kind2, depthK, width });
var dram = (depthK, width) => chip("dram", depthK, width);
var sram = (depthK, width) => chip("sram", depthK, width);
var types = {
  "4116": { ...dram(16, 1), threeSupply: true },
  "4164": dram(64, 1),
  "4864": dram(64, 1),
  "3764": dram(64, 1),
  "4416": dram(16, 4),
  "4464": dram(64, 4),
  "41464": dram(64, 4),
  "50464": dram(64, 4),
  "41256": dram(256, 1),
  "50256": dram(256, 1),
  "51256": dram(256, 1),
  "53256": dram(256, 1),
  "44256": dram(256, 4),
  "414256": dram(256, 4),
  "534256": dram(256, 4),
  "424256": dram(256, 4),
  "514256": dram(256, 4),
  "411000": dram(1024, 1),
  "421000": dram(1024, 1),
  "511000": dram(1024, 1),
  "41000": dram(1024, 1),
  "41024": dram(1024, 1),
  "44100": dram(4096, 1),
  "514100": dram(4096, 1),
  "424100": dram(4096, 1),
  "44400": dram(1024, 4),
  "424400": dram(1024, 4),
  "514400": dram(1024, 4),
  "514260": dram(256, 16),
  "424260": dram(256, 16),
  "511664": dram(64, 16),
  "5116100": dram(16384, 1),
  "5116400": dram(4096, 4),
  "5117400": dram(4096, 4),
  "5117800": dram(2048, 8),
  "5118160": dram(1024, 16),
  "2114": sram(1, 4),
  "6116": sram(2, 8),
  "2016": sram(2, 8),
  "6264": sram(8, 8),
  "7164": sram(8, 8),
  "6164": sram(8, 8),
  "62256": sram(32, 8),
  "61256": sram(32, 8),
  "71256": sram(32, 8),
  "6287": sram(64, 1),
  "6288": sram(16, 4),
  "61416": sram(16, 4),
  "61464": sram(64, 4),
  "628128": sram(128, 8),
  "681000": sram(128, 8),
  "611024": sram(128, 8)
};

// src/lib/core/boards/oscillator.ts
function oscillatorFor(family3, busMHz2) {
  const divisor = family3 === "8088" || family3 === "8086" ? 3 : /^[23]86/.test(family3) ? 2 : 1;
  return { mhz: Math.round(busMHz2 * divisor * 1e3) / 1e3, divisor };
}
var isClockedByOscillator = ({ busClock }) => busClock === void 0 || Array.isArray(busClock);
function withOscillator(board3, mhz3, family3) {
  if (mhz3 === void 0 || !isClockedByOscillator(board3.board)) return board3;
  const { busClock: before, busMHz: isa, ...facts2 } = board3.board;
  if (family3 === null) return { ...board3, board: facts2 };
  const busMHz2 = mhz3 / oscillatorFor(family3, 1).divisor;
  const old = Array.isArray(before) && before.length === 1 ? there(before[0]) : null;
  const follows = isa !== void 0 && old !== null && sameClock(isa, old);
  return {
    ...board3,
    board: { ...facts2, busClock: [busMHz2], ...follows ? { busMHz: busMHz2 } : {} }
  };
}

// src/lib/core/boards/sizes.ts
var GROUPED = String.raw`\d{1,3}(?:[.,\s]\d{3})+`;
var UNIT = String.raw`k(?:ib?|b|[ -]?bytes?|ilobytes?)?|m(?:ib?|b|egs?|[ -]?bytes?|egabytes?)?`;
var NUMBER = String.raw`(${GROUPED}(?!\d)|\d+(?:[.,]\d+)?)\s*(${UNIT})?`;
var ONE = new RegExp(`^${NUMBER}$`, "i");
var GIVE_OR_TAKE = new RegExp(String.raw`^${NUMBER}\s*(?:±|\+\s*[-/]+\s*|give or take)\s*${NUMBER}$`, "i");
var SUM = new RegExp(
  String.raw`^(?:base|conventional|low)?[\s:=]*${NUMBER}\s*(?:base|conventional|low)?\s*(?:\+|,|and|&|/|\s)\s*(?:extended|xms|high|ext\.?)?[\s:=]*${NUMBER}\s*(?:extended|xms|high|ext\.?)?$`,
  "i"
);
var TWO = new RegExp(String.raw`^(?:between\s+)?${NUMBER}\s*(?:-|–|to|and|\.\.\.?|…)\s*${NUMBER}$`, "i");

// src/lib/core/resources/accepted.ts
var firstClaim = (fn, resource) => fn.claims.findIndex((c) => c.resource === resource);
var acceptedIn = (m, resource, numbers2) => resource === "irq" && m.class === "at" ? numbers2.map((n2) => n2 === 2 ? 9 : n2) : [...numbers2];

// src/lib/core/resources/seating.ts
function seatOf(part, slot2) {
  const { seat, misfit } = onBus(part, slot2);
  if (misfit) return { seat, misfit };
  if (slot2.selected && part.card?.drivesSelect === "no") return { seat, misfit: { why: "card-select" } };
  return { seat, misfit: part.card?.master && slot2.master === false ? { why: "bus-master" } : null };
}
function onBus(part, slot2) {
  const card = part.card;
  if (!card) return { seat: "none", misfit: { why: "no-card" } };
  if (slot2.bus === "memory-board") return { seat: "none", misfit: { why: "memory-board" } };
  if (card.bus === "pc-card" && slot2.bus === "pc-card")
    return { seat: "pc-card", misfit: tooThick(card, slot2) };
  if (card.bus === "pc-card" || slot2.bus === "pc-card")
    return { seat: "none", misfit: { why: "bus", card: card.bus, slot: slot2.bus } };
  const wantsPci = card.bus === "pci" || card.bus === "agp";
  if (wantsPci || slot2.bus === "pci" || slot2.bus === "agp")
    return card.bus === slot2.bus ? { seat: "pci", misfit: null } : { seat: "none", misfit: { why: "bus", card: card.bus, slot: slot2.bus } };
  if (card.bus === "vlb")
    return slot2.bus === "vlb" ? { seat: "isa16", misfit: null } : { seat: "none", misfit: { why: "local-bus" } };
  if (card.bus === "isa8") return { seat: "isa8", misfit: null };
  if (slot2.bus !== "isa8") return { seat: "isa16", misfit: null };
  return { seat: "isa8", misfit: card.fallback8 === "no" ? { why: "eight-bit" } : null };
}
var USUAL_TYPE = 2;
function tooThick({ type = USUAL_TYPE }, slot2) {
  const most = slot2.type ?? USUAL_TYPE;
  return type > most && slot2.over === void 0 ? { why: "thick", card: type, slot: most } : null;
}
function fillsToo(card, slot2, other) {
  if (slot2.bracket !== void 0 && slot2.bracket === other.bracket) return true;
  return slot2.over === other.id && (card?.type ?? USUAL_TYPE) > (slot2.type ?? USUAL_TYPE);
}
var excludeEachOther = (a, b) => a.slot.id === b.slot.id || fillsToo(a.part.card, a.slot, b.slot) || fillsToo(b.part.card, b.slot, a.slot);
function obstacle(part, slot2) {
  const { misfit } = seatOf(part, slot2);
  if (misfit) return misfit;
  const cardMm = part.card?.lengthMm ?? 0;
  if (slot2.lengthMm !== void 0 && cardMm > slot2.lengthMm)
    return { why: "length", cardMm, roomMm: slot2.lengthMm };
  if (part.card?.skirt && (slot2.bus === "isa16" || slot2.bus === "vlb"))
    return { why: "skirt", slot: slot2.bus };
  return null;
}
function narrowed(part, slot2) {
  if (slot2.bus !== "isa8" || part.card?.bus !== "isa16" || part.card.fallback8 === "no") return null;
  return part.card.fallback8 === "yes" ? "works" : "untried";
}
function untried(part, slot2) {
  const { card } = part;
  if (slot2.selected && (card?.drivesSelect ?? "untried") === "untried") return "select";
  return card?.master && slot2.bus === "vlb" && slot2.master === void 0 ? "master" : null;
}
var isTaken = (seated2, next, except) => seated2.some((s2) => s2.item !== except && excludeEachOther(s2, next));
function seatedIn(build, parts2, slots3) {
  return build.items.flatMap((item) => {
    const slot2 = slots3.find((s2) => s2.id === item.slot);
    return slot2 ? [{ part: { card: parts2.get(item.part)?.card }, slot: slot2, item: item.id }] : [];
  });
}
var preferred = {
  isa8: ["isa8", "isa16", "vlb"],
  isa16: ["isa16", "vlb", "isa8"],
  vlb: ["vlb"],
  pci: ["pci"],
  agp: ["agp"],
  "pc-card": ["pc-card"]
};
function freeSlots(build, parts2, part, except) {
  const slots3 = parts2.get(build.board.part)?.board?.slots ?? [];
  const seated2 = seatedIn(build, parts2, slots3);
  const order3 = preferred[part.card?.bus ?? "memory-board"] ?? [];
  const rank = (slot2) => order3.indexOf(slot2.bus) * 2 + (narrowed(part, slot2) === "untried" || untried(part, slot2) ? 1 : 0);
  return slots3.filter((slot2) => obstacle(part, slot2) === null && !isTaken(seated2, { part, slot: slot2 }, except)).sort((a, b) => rank(a) - rank(b));
}

// src/lib/core/resources/tried.ts
var SAME_CLOCK = 0.03;
function triedHere(item, board3, slot2, mhz3) {
  const here = (item.tried ?? []).filter(
    (t) => t.board === board3 && t.slot !== void 0 && (t.slot === slot2.id || t.slot === slot2.label)
  );
  const isSame2 = ({ clockMHz }) => mhz3 !== null && clockMHz !== void 0 && Math.abs(clockMHz - mhz3) <= SAME_CLOCK * mhz3;
  return { same: sum(here.filter(isSame2)), other: sum(here.filter((t) => !isSame2(t))) };
}
var sum = (trials) => ({
  works: trials.filter((t) => t.result === "works").length,
  not: trials.filter((t) => t.result !== "works").length,
  last: trials.flatMap((t) => t.date ?? []).sort().at(-1) ?? null
});
var triedOnBoard = (item, board3) => sum((item.tried ?? []).filter((t) => t.board === board3));
var workedHere = (item, board3, slot2) => triedHere(item, board3, slot2, null).other.works > 0;

// src/lib/core/resources/system.ts
var bothClasses = [
  ["first DMA controller", 0, 32],
  ["first interrupt controller", 32, 32],
  ["timer", 64, 32],
  ["keyboard, system ports", 96, 16],
  ["DMA pages", 128, 32]
];
var ports = {
  xt: [...bothClasses, ["NMI mask", 160, 32]],
  at: [
    ...bothClasses,
    ["clock and CMOS", 112, 16],
    ["second interrupt controller", 160, 32],
    ["second DMA controller", 192, 32],
    ["FPU", 240, 16]
  ]
};
var irqs = {
  xt: [
    ["system timer", 0],
    ["keyboard", 1]
  ],
  at: [
    ["system timer", 0],
    ["keyboard", 1],
    ["real-time clock", 8],
    ["FPU", 13]
  ]
};
var dma = { xt: ["memory refresh", 0], at: ["cascade", 4] };
var common = { sharing: "never", sharesWith: [] };
var port = (value, length, more = {}) => ({
  ...common,
  resource: "io",
  value,
  length,
  access: "both",
  ...more
});
var systemFunction = (id2, label, ...claims) => ({
  id: id2,
  label,
  kind: "system",
  off: [],
  claims,
  resident: false
});
var wholePart = (fields2) => ({
  kind: "board",
  maker: "system",
  evidence: [],
  quirks: [],
  blocks: [],
  settings: [],
  constraints: [],
  startup: [],
  ...fields2
});
var cache = /* @__PURE__ */ new Map();
function systemPart(facts2) {
  const isLarge = facts2.slots.some((slot2) => slot2.bus === "pci");
  const usual3 = isLarge ? { base: 917504, length: 131072 } : { base: 983040, length: 65536 };
  const bios2 = facts2.bios ?? usual3;
  const key = `${facts2.class} ${bios2.base} ${bios2.length}`;
  let part = cache.get(key);
  if (!part) {
    const [use, channel] = dma[facts2.class];
    part = wholePart({
      id: SYSTEM_ITEM,
      name: "System board",
      functions: [
        ...irqs[facts2.class].map(
          ([label, value]) => systemFunction(`irq${value}`, label, { ...common, id: "irq", resource: "irq", value })
        ),
        systemFunction(`dma${channel}`, use, {
          ...common,
          id: "dma",
          resource: "dma",
          value: channel,
          width: 8,
          busMaster: false
        }),
        ...ports[facts2.class].map(
          ([label, value, length]) => systemFunction(`io-${hex(value).toLowerCase()}`, label, port(value, length, { id: "io" }))
        ),
        systemFunction("bios", "system BIOS", {
          ...common,
          id: "rom",
          resource: "memory",
          value: bios2.base,
          length: bios2.length,
          width: 8,
          use: "rom",
          // Board ROM is not read over the bus, so it never meets the 128 KiB rule.
          shadowed: true
        })
      ]
    });
    cache.set(key, part);
  }
  return part;
}
function isPnp(part) {
  return part.card !== void 0 && part.blocks.some((block) => block.kind === "pnp");
}
function pnpPart() {
  let part = cache.get(PNP_ITEM);
  if (!part) {
    const readPorts = Array.from({ length: 128 }, (_, i) => 515 + 4 * i).filter((p) => p <= 1023);
    const id2 = (n2) => hex(n2).toLowerCase();
    const write = (value) => (
      // The printer's status register at 279h is read-only.
      port(value, 1, { id: `w${id2(value)}`, mask: 4095, access: "write", sharesWith: ["parallel"] })
    );
    part = wholePart({
      id: PNP_ITEM,
      name: "Plug-and-play ports",
      blocks: [{ id: "start", kind: "startup" }],
      settings: [
        {
          id: "read-port",
          label: "Read port",
          block: "start",
          known: true,
          positions: readPorts.map((n2) => ({ id: id2(n2), label: hex(n2) })),
          default: id2(515)
        }
      ],
      functions: [
        systemFunction("isolation", "plug-and-play", write(633), write(2681), {
          ...common,
          id: "read",
          resource: "io",
          length: 1,
          access: "both",
          from: {
            setting: "read-port",
            values: Object.fromEntries(readPorts.map((n2) => [id2(n2), n2]))
          }
        })
      ]
    });
    cache.set(PNP_ITEM, part);
  }
  return part;
}

// src/lib/core/resources/machine.ts
function machine(build, parts2) {
  const partOf = (item) => {
    const part = parts2.get(item.part);
    if (!part) throw new Error(`part "${item.part}" of item "${item.id}" is missing`);
    return withToldFields(part);
  };
  const boardPart = partOf(build.board);
  if (!hasFacts(boardPart, "board")) throw new Error(`no board: "${boardPart.id}"`);
  const facts2 = boardPart.board;
  const onBoard = (item, part) => ({
    item,
    part,
    seat: "board",
    misfit: null,
    title: item.label ?? part.name
  });
  const slots3 = new Map(facts2.slots.map((slot2) => [slot2.id, slot2]));
  const board3 = onBoard(build.board, boardPart);
  const cards2 = build.items.flatMap((item) => {
    const part = partOf(item);
    const slot2 = item.slot === void 0 ? void 0 : slots3.get(item.slot);
    if (!part.card) return part.functions.length ? [onBoard(item, part)] : [];
    if (!slot2) return [];
    const { seat, misfit: told } = seatOf(part, slot2);
    const misfit = told?.why === "eight-bit" && workedHere(item, build.board.part, slot2) ? null : told;
    return [{ item, part, slot: slot2, seat, misfit, title: item.label ?? part.name }];
  });
  const fixed = (id2, part) => onBoard(emptyItem(id2, part.id), part);
  const fitted = [fixed(SYSTEM_ITEM, systemPart(facts2)), board3, ...cards2];
  if (cards2.some((card) => isPnp(card.part))) fitted.push(fixed(PNP_ITEM, pnpPart()));
  const byId3 = new Map(fitted.map((f) => [f.item.id, f]));
  return {
    class: facts2.class,
    build,
    board: board3,
    fitted,
    find: (id2) => byId3.get(id2),
    get: (id2) => entryOf(byId3, id2)
  };
}
function emptyItem(id2, part) {
  return { id: id2, part, asFound: {}, chosen: {}, locked: [] };
}
var isLookedAt = ({ asFound, chosen }, setting) => chosen[setting] !== void 0 || asFound[setting] !== void 0;
function positionOf(item, setting) {
  return item.chosen[setting.id] ?? item.asFound[setting.id] ?? setting.default;
}
function foundPosition(item, setting) {
  return item.asFound[setting.id] ?? setting.default;
}
function powerState(fitted, fn, at2) {
  let state = "on";
  for (const match of fn.off) {
    const known3 = Object.entries(match).map(([setting, positions]) => {
      const position = at2(fitted.item.id, setting);
      return position === void 0 ? null : positions.includes(position);
    });
    if (known3.every((k) => k === true)) return "off";
    if (known3.every((k) => k !== false)) state = "unknown";
  }
  return state;
}
var isOn = (fitted, fn, at2) => powerState(fitted, fn, at2) !== "off";
function isResident(m, item, fn) {
  return fn.resident || m.build.resident.some((r) => r.item === item && r.function === fn.id);
}

// src/lib/core/resources/lines.ts
function claimSettings(m, fitted, claim) {
  const own = (setting) => ({ item: fitted.item.id, setting });
  if (claim.resource === "irq" && claim.pin) {
    const setting = fitted.slot?.routing?.[claim.pin];
    return setting === void 0 ? [] : [{ item: m.board.item.id, setting }];
  }
  if (!claim.from) return [];
  return "setting" in claim.from ? [own(claim.from.setting)] : claim.from.settings.map(own);
}
function claimValue(m, fitted, claim, at2) {
  if (claim.value !== void 0) return claim.value;
  if (claim.resource === "irq" && claim.pin) {
    const [wire] = claimSettings(m, fitted, claim);
    const position = wire && at2(wire.item, wire.setting);
    const match = /^irq(\d+)$/.exec(position ?? "");
    return match ? Number(match[1]) : null;
  }
  const source = claim.from;
  if (!source) return null;
  if ("setting" in source) {
    const position = at2(fitted.item.id, source.setting);
    return position === void 0 ? null : source.values[position] ?? null;
  }
  const row2 = source.rows.find(
    (r) => Object.entries(r.when).every(([setting, position]) => at2(fitted.item.id, setting) === position)
  );
  return row2?.value ?? null;
}
function lacksInterrupt(m, fitted, fn, at2) {
  return fn.kind !== "display" && isOn(fitted, fn, at2) && fn.claims.some(
    (claim) => claim.resource === "irq" && claim.pin !== void 0 && claimSettings(m, fitted, claim).length > 0 && claimValue(m, fitted, claim, at2) === null
  );
}
var WITH_VIDEO = 96;
var VIDEO_ROM = { from: 786432, to: 819200 };
function isShadowed({ board: board3 }, fn, use, base) {
  if (fn.kind !== "display" || use !== "rom" || base < VIDEO_ROM.from || base >= VIDEO_ROM.to) return false;
  const { memory: memory3, slots: slots3 } = board3.part.board;
  return (memory3?.shadowKiB ?? 0) >= WITH_VIDEO || slots3.some((s2) => s2.bus === "pci");
}
function lineOf(m, fitted, fn, index, value) {
  const claim = there(fn.claims[index]);
  const pci = fitted.seat === "pci";
  const addressed = claim.resource === "io" || claim.resource === "memory" ? claim : null;
  const decode2 = addressed?.decode ?? (pci ? "pci" : fitted.seat === "board" ? "board" : "isa");
  const narrow = fitted.seat === "isa8";
  return {
    item: fitted.item.id,
    function: fn.id,
    kind: fn.kind,
    index,
    claim: claim.id ?? claim.resource,
    resource: claim.resource,
    value: claim.resource === "irq" && m.class === "at" && value === 2 ? 9 : value,
    printed: value,
    length: addressed?.length ?? 1,
    mask: claim.resource === "io" ? claim.mask ?? (decode2 === "pci" ? 65535 : 1023) : 4294967295,
    access: claim.resource === "io" ? claim.access : "both",
    width: claim.resource === "dma" || claim.resource === "memory" ? narrow ? 8 : claim.width : 8,
    busMaster: claim.resource === "dma" && claim.busMaster,
    use: claim.resource === "memory" ? claim.use : null,
    shadowed: claim.resource === "memory" && (claim.shadowed || isShadowed(m, fn, claim.use, value)),
    decode: decode2,
    sharing: claim.sharing,
    sharesWith: claim.sharesWith,
    resident: isResident(m, fitted.item.id, fn)
  };
}
function linesAt(m, at2, of2 = m.fitted) {
  return of2.flatMap(
    (fitted) => fitted.part.functions.flatMap(
      (fn) => isOn(fitted, fn, at2) ? fn.claims.flatMap((claim, index) => {
        const value = claimValue(m, fitted, claim, at2);
        return value === null ? [] : [lineOf(m, fitted, fn, index, value)];
      }) : []
    )
  );
}
function lineText(line2) {
  switch (line2.resource) {
    case "irq":
      return line2.printed === line2.value ? `IRQ ${line2.value}` : `IRQ ${line2.printed}\u2192${line2.value}`;
    case "dma":
      return `DMA ${line2.value}`;
    case "io":
      return hexRange(line2.value, line2.length);
    case "memory":
      return hexRange(line2.value, line2.length, 5);
  }
}
var ownerKey = (line2) => keyOf(line2.item, line2.function);

// src/lib/core/resources/relation.ts
var startupWrites = [18152, 258];
function relate(a, b, context) {
  if (a.resource !== b.resource || !meet(a, b)) return null;
  const never = { verdict: "clash", kind: "never", cost: 0 };
  const share = (kind2, cost = 0) => ({ verdict: "share", kind: kind2, cost });
  if (a.item === b.item)
    return context.apart(a, b) ? { verdict: "clash", kind: "apart", cost: 0 } : share("own");
  if (names(a, b) || names(b, a)) return share("with");
  if (a.sharing === "level" && b.sharing === "level") return share("level");
  if (a.sharing === "level" || b.sharing === "level") return never;
  if (a.sharing === "idle" && b.sharing === "idle" && !a.resident && !b.resident && context.neverTogether(a, b))
    return share("idle", 1);
  const unused = (line2) => line2.resource === "irq" && line2.sharing === "unused" && !line2.resident;
  if (unused(a) || unused(b)) return share("unused", 1);
  return never;
}
var names = (a, b) => a.sharesWith.includes(b.function) || a.sharesWith.includes(b.kind);
function meet(a, b) {
  switch (a.resource) {
    case "irq":
    case "dma":
      return a.value === b.value;
    case "memory":
      return a.value < b.value + b.length && b.value < a.value + a.length;
    case "io":
      return accessMeets(a, b) && !onlyAtStart(a, b) && portsMeet(a, b);
  }
}
var accessMeets = (a, b) => a.access === "both" || b.access === "both" || a.access === b.access;
var isStartupWrite = (line2) => line2.access === "write" && line2.length === 1 && startupWrites.includes(line2.value);
var onlyAtStart = (a, b) => a.value !== b.value && (isStartupWrite(a) || isStartupWrite(b));
function portsMeet(a, b) {
  if (a.decode === "pci" || b.decode === "pci")
    return a.value < b.value + b.length && b.value < a.value + a.length;
  const mask = a.mask & b.mask & 65535;
  if ((mask & mask + 1) === 0) {
    const distance2 = b.value - a.value & mask;
    return distance2 < a.length || (-distance2 & mask) < b.length;
  }
  for (let i = 0; i < a.length; i++)
    for (let j = 0; j < b.length; j++) if (((a.value + i ^ b.value + j) & mask) === 0) return true;
  return false;
}
function firstCommonPort(a, b) {
  for (let i = 0; i < a.length; i++)
    if (portsMeet({ ...a, value: a.value + i, length: 1 }, b)) return a.value + i;
  return null;
}

// src/lib/core/resources/standing.ts
function standing(m) {
  const at2 = /* @__PURE__ */ new Map();
  for (const { item, part } of m.fitted)
    for (const setting of part.settings) at2.set(keyOf(item.id, setting.id), positionOf(item, setting));
  const positions = (item, setting) => at2.get(keyOf(item, setting));
  const pnp = m.find(PNP_ITEM);
  if (pnp) {
    const [setting] = pnp.part.settings;
    const others = linesAt(
      m,
      positions,
      m.fitted.filter((f) => f !== pnp)
    ).filter((l) => l.resource === "io");
    const read = (position) => (i, s2) => i === PNP_ITEM && s2 === setting?.id ? position : positions(i, s2);
    const isFree = (position) => linesAt(m, read(position), [pnp]).filter((l) => l.claim === "read").every((l) => others.every((o) => !portsMeet(l, o)));
    const free2 = setting?.positions.find((p) => isFree(p.id));
    if (setting && free2) at2.set(keyOf(PNP_ITEM, setting.id), free2.id);
  }
  return positions;
}

// src/lib/core/resources/reach.ts
var slotLines = {
  xt: { irq: { isa8: [2, 3, 4, 5, 6, 7] }, dma: { isa8: [1, 2, 3] } },
  at: {
    irq: {
      isa8: [3, 4, 5, 6, 7, 9],
      isa16: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15],
      pci: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15],
      "pc-card": [3, 4, 5, 7, 9, 10, 11, 12, 14, 15]
    },
    dma: { isa8: [1, 2, 3], isa16: [0, 1, 2, 3, 5, 6, 7], "pc-card": [] }
  }
};
var busMasterChannels = [0, 5, 6, 7];
function unreachable(m, fitted, line2) {
  if (fitted.misfit) return { why: "misfit", misfit: fitted.misfit };
  switch (line2.resource) {
    case "irq":
    case "dma":
      return lineReach(m, fitted, line2, line2.resource);
    case "io":
      return m.class === "xt" && fitted.seat !== "board" && line2.access !== "write" && (line2.value & 512) === 0 ? { why: "xt-ports", port: hex(line2.value) } : null;
    case "memory":
      return memoryReach(m, fitted, line2);
  }
}
function lineReach(m, fitted, line2, resource) {
  const top = resource === "irq" ? 7 : 3;
  const number = line2.value;
  if (m.class === "xt" && number > top) return { why: "xt-top", resource, top };
  if (fitted.seat === "board") return null;
  const narrow = m.class === "xt" || fitted.seat === "isa8";
  const seat = m.class === "xt" ? "isa8" : fitted.seat;
  const reach3 = slotLines[m.class][resource][seat] ?? [];
  if (line2.resource === "dma" && line2.busMaster) {
    if (narrow) return { why: "master-slot" };
    if (!busMasterChannels.includes(number)) return { why: "master-channel", channel: number };
  }
  if (reach3.includes(number)) return null;
  const wide = slotLines.at[resource].isa16;
  const isNarrow = m.class === "at" && fitted.seat === "isa8" && wide.includes(number);
  return {
    why: !isNarrow ? "no-slot" : fitted.part.card?.bus === "isa8" ? "narrow-card" : "narrow-slot",
    resource,
    number
  };
}
var KIB2 = 1024;
var MIB2 = KIB2 * KIB2;
function memoryReach(m, fitted, line2) {
  const end = line2.value + line2.length;
  if (fitted.seat === "isa8" && end > MIB2) return { why: "addresses", seat: "isa8", mib: 1 };
  if (fitted.seat === "isa16" && end > 16 * MIB2) return { why: "addresses", seat: "isa16", mib: 16 };
  if (m.class === "xt" && end > MIB2) return { why: "addresses", seat: "xt", mib: 1 };
  if (fitted.seat === "board" || fitted.seat === "pci") return null;
  const step = line2.use === "rom" ? line2.length : line2.use === "frame" ? 16 * KIB2 : 1;
  return line2.value % step === 0 ? null : { why: "alignment", lengthKiB: line2.length / KIB2, stepKiB: step / KIB2, base: hex(line2.value, 5) };
}

// src/lib/core/resources/homes.ts
var homes = {
  serial: { irq: [4, 3], io: [1016, 760] },
  parallel: { irq: [7], io: [888, 956] },
  "hard-disk": { irq: [14], io: [496] },
  floppy: { irq: [6], dma: [2], io: [1008] },
  audio: { irq: [5, 7], dma: [1, 5], io: [544] },
  fm: { io: [904] },
  midi: { io: [816] },
  game: { io: [512, 513] },
  network: { irq: [10, 3], io: [768] },
  scsi: { irq: [11], dma: [5], io: [816], memory: [819200, 884736] },
  ems: { io: [520], memory: [851968, 917504] },
  mouse: { irq: [12, 5], io: [572] },
  rom: { memory: [819200] }
};
function isHome(fn, resource, value) {
  const usual3 = fn.home?.[resource] ?? homes[fn.kind]?.[resource];
  return usual3 === void 0 || usual3.includes(value);
}

// src/lib/core/resources/context.ts
var pair = (a, b) => a < b ? `${a} ${b}` : `${b} ${a}`;
function apartPairs(part, item) {
  return part.constraints.flatMap(
    (c) => "apart" in c ? [pair(keyOf(item, c.apart[0]), keyOf(item, c.apart[1]))] : []
  );
}
function sharingContext(m) {
  const apart = new Set(m.fitted.flatMap(({ item, part }) => apartPairs(part, item.id)));
  const never = new Set(
    m.build.neverTogether.map(([a, b]) => pair(keyOf(a.item, a.function), keyOf(b.item, b.function)))
  );
  return {
    apart: (a, b) => apart.size > 0 && apart.has(pair(ownerKey(a), ownerKey(b))),
    neverTogether: (a, b) => never.has(pair(ownerKey(a), ownerKey(b)))
  };
}

// src/lib/core/resources/unknown.ts
var unknownsOf = (m) => m.fitted.flatMap((f) => [...claimless(f), ...unknownSettings(f), ...unrouted(m, f)]);
function claimless({ item, part, slot: slot2 }) {
  if (!slot2) return [];
  if (!part.functions.length) return [{ kind: "claims", item: item.id }];
  if (part.card?.bus === "pci" || part.card?.bus === "agp") return [];
  const silent = part.functions.filter((fn) => !fn.claims.length);
  if (silent.length === part.functions.length) return [{ kind: "claims", item: item.id }];
  return silent.map((fn) => ({ kind: "claims", item: item.id, function: fn.id }));
}
var unknownSettings = ({ item, part }) => part.settings.filter((s2) => !s2.known).map((s2) => ({ kind: "setting", item: item.id, setting: s2.id }));
var unrouted = (m, f) => f.seat === "pci" && f.slot ? f.part.functions.filter(
  (fn) => fn.claims.some((c) => c.resource === "irq" && c.pin && !claimSettings(m, f, c).length)
).map((fn) => ({ kind: "routing", item: f.item.id, function: fn.id, slot: f.slot.id })) : [];

// src/lib/core/resources/owners.ts
function ownerOf(m, item, fn) {
  const fitted = m.find(item);
  const known3 = fitted?.part.functions.find((f) => f.id === fn);
  return {
    thing: fitted && item !== SYSTEM_ITEM && item !== PNP_ITEM ? thingOf(fitted) : null,
    onBoard: item === BOARD_ITEM,
    function: known3?.label ?? fn,
    kind: known3?.kind ?? "other"
  };
}
var ownerOfLine = (m, { item, function: fn }) => ownerOf(m, item, fn);

// src/lib/core/resources/usual.ts
var usual = {
  serial: {
    ports: 8,
    fixed: [
      { resource: "io", value: 1016, length: 8 },
      { resource: "irq", value: 4 }
    ]
  },
  modem: { ports: 8 },
  parallel: {
    ports: 4,
    fixed: [
      { resource: "io", value: 888, length: 4 },
      { resource: "irq", value: 7 }
    ]
  },
  audio: { ports: 16 },
  fm: { ports: 4, fixed: [{ resource: "io", value: 904, length: 4 }] },
  midi: { ports: 2 },
  game: { ports: 8, fixed: [{ resource: "io", value: 512, length: 8 }] },
  network: { ports: 32, bytes: 16 * 1024 },
  scsi: { ports: 4, bytes: 16 * 1024 },
  cdrom: { ports: 4 },
  mouse: { ports: 4 },
  ems: { ports: 8, bytes: 64 * 1024 },
  "hard-disk": {
    ports: 8,
    bytes: 16 * 1024,
    fixed: [
      { resource: "io", value: 496, length: 8 },
      { resource: "irq", value: 14 }
    ]
  },
  floppy: {
    ports: 6,
    fixed: [
      { resource: "io", value: 1008, length: 6 },
      { resource: "irq", value: 6 },
      { resource: "dma", value: 2 }
    ]
  },
  rom: { bytes: 16 * 1024 }
};

// src/lib/core/kit/kit.ts
function kitOf(build, parts2, m = machine(build, parts2)) {
  const at2 = standing(m);
  const placed = build.items.map((item) => {
    const part = entryOf(parts2, item.part);
    return { item, part, title: item.label ?? part.name };
  });
  const ofKind = (kind2) => placed.filter((p) => isOfKind(p.part, kind2));
  const known3 = (id2, key) => {
    const part = id2 === void 0 ? void 0 : parts2.get(id2);
    return part && hasFacts(part, key) ? part : null;
  };
  const adapters2 = ofKind("adapter");
  const carrier2 = adapters2.find((p) => p.part.adapter.cpu) ?? null;
  const cpu2 = ofKind("cpu")[0]?.part ?? known3(m.board.part.board?.cpuSocket?.soldered, "cpu");
  const oscillator2 = ofKind("oscillator")[0] ?? null;
  const board3 = withOscillator(
    withCarrier(m.board.part, carrier2?.part.adapter.cpu),
    oscillator2?.part.oscillator.mhz,
    cpu2?.cpu.family ?? null
  );
  const facts2 = board3.board;
  const banks3 = /* @__PURE__ */ new Map();
  for (const p of ofKind("memory")) {
    const bank2 = p.item.place ?? "";
    banks3.set(bank2, [...banks3.get(bank2) ?? [], { placed: p, count: p.item.count ?? 1 }]);
  }
  const year = Number(build.brief.date?.slice(0, 4) ?? NaN);
  return {
    build,
    parts: parts2,
    m,
    at: at2,
    year: Number.isNaN(year) ? null : year,
    board: board3,
    facts: facts2,
    cpu: cpu2,
    fpu: ofKind("fpu")[0] ?? null,
    carrier: carrier2,
    oscillator: oscillator2,
    banks: banks3,
    memory: facts2.memory ?? null,
    displays: displaysOf(m, at2),
    // A machine that is sold as one brings its own.
    monitors: [...builtIn(m), ...ofKind("monitor")],
    drives: ofKind("drive"),
    controllers: controllersOf(m, at2),
    supply: ofKind("supply")[0] ?? null,
    keyboard: ofKind("keyboard")[0] ?? null,
    chassis: ofKind("case")[0] ?? null,
    adapters: adapters2,
    // A BIOS that was fitted in place of the board's own stands above what the catalogue says of the board.
    firmware: ofKind("bios")[0]?.part ?? known3(facts2.firmware, "firmware")
  };
}
var builtIn = ({ board: { item, part, title } }) => hasFacts(part, "monitor") ? [{ item, part, title }] : [];
function displaysOf(m, at2) {
  return m.fitted.flatMap((f) => {
    if (!f.part.video) return [];
    const fn = f.part.functions.find((x) => x.kind === "display");
    return [
      { item: f.item.id, title: f.title, facts: f.part.video, isOn: fn === void 0 || isOn(f, fn, at2) }
    ];
  });
}
function controllersOf(m, at2) {
  return m.fitted.flatMap(
    (f) => f.part.functions.filter((fn) => fn.speaks).map((fn) => ({
      item: f.item.id,
      owner: ownerOf(m, f.item.id, fn.id),
      title: f.item.id === m.board.item.id ? `${fn.label} of the board` : `${fn.label} of ${f.title}`,
      fn,
      isOn: isOn(f, fn, at2),
      onBoard: f.item.id === m.board.item.id
    }))
  );
}
function knownIsaClock({ board: board3, facts: facts2, cpu: cpu2, at: at2, build }) {
  const isSeen = (setting) => setting in build.board.asFound || setting in build.board.chosen;
  const { bus } = clocksOf(board3, cpu2, at2, isSeen);
  if (bus.unseen || readOffered(facts2.busDivisor, at2, isSeen).unseen) return null;
  return isaClockOf(board3, bus.value, at2, isSeen);
}

// src/lib/core/kit/module-bays.ts
var MOST_WISHES = 10;
var baySettings = (board3) => {
  const bays3 = new Set(board3.blocks.flatMap((b) => b.kind === "bay" ? [b.id] : []));
  return board3.settings.filter((s2) => s2.known && s2.block !== void 0 && bays3.has(s2.block));
};
function moduleFunctions(board3) {
  const bays3 = new Set(baySettings(board3).map((s2) => s2.id));
  return board3.functions.filter(
    (fn) => fn.off.some((match) => Object.keys(match).some((id2) => bays3.has(id2)))
  );
}
function moduleBays({ m, build }) {
  return baySettings(m.board.part).flatMap((setting) => {
    const holds = positionOf(m.board.item, setting);
    const position = setting.positions.find((p) => p.id === holds);
    if (!position) return [];
    const isSeen = setting.id in build.board.asFound || setting.id in build.board.chosen;
    return [{ setting, holds: position.id, module: position.label, isSeen }];
  });
}
var holdsNow = (bays3) => Object.fromEntries(bays3.map((b) => [b.setting.id, b.holds]));
function layoutsOf(board3) {
  const settings2 = baySettings(board3);
  if (!settings2.length) return [];
  const functions2 = moduleFunctions(board3);
  let all = [{}];
  for (const s2 of settings2)
    all = all.flatMap((holds) => s2.positions.map((p) => ({ ...holds, [s2.id]: p.id }))).filter((holds) => !forbidden(board3, holds));
  const isOff = (fn, holds) => fn.off.some(
    (match) => Object.entries(match).every(([id2, positions]) => {
      const held = holds[id2];
      return held !== void 0 && positions.includes(held);
    })
  );
  return all.map((holds) => ({
    holds,
    there: functions2.filter((fn) => !isOff(fn, holds)).map((fn) => fn.id)
  }));
}
function together(board3, wished2, now = {}) {
  const all = layoutsOf(board3);
  const has3 = (set) => all.filter((l) => set.every((fn) => l.there.includes(fn)));
  const changes2 = (l) => Object.entries(l.holds).filter(([id2, p]) => now[id2] !== p).length;
  const batteries = moduleFunctions(board3).flatMap((fn) => fn.kind === "battery" ? [fn.id] : []);
  const layouts2 = has3(wished2).map((layout, i) => ({ layout, i, changes: changes2(layout) })).sort((a, b) => a.changes - b.changes || a.i - b.i).map(({ layout, changes: changes3 }) => ({
    ...layout,
    isNow: changes3 === 0,
    lacksBattery: batteries.length > 0 && !batteries.some((id2) => layout.there.includes(id2))
  }));
  const cannot = [];
  if (!layouts2.length && wished2.length > MOST_WISHES)
    cannot.push(
      wished2.reduce(
        (core, fn) => has3(core.filter((x) => x !== fn)).length ? core : core.filter((x) => x !== fn),
        [...wished2]
      )
    );
  else if (!layouts2.length) {
    for (const set of bySize(wished2))
      if (!cannot.some((core) => core.every((fn) => set.includes(fn))) && !has3(set).length) cannot.push(set);
  }
  return { layouts: layouts2, cannot };
}
var bySize = (list2) => list2.reduce((sets, x) => [...sets, ...sets.map((s2) => [...s2, x])], [[]]).filter((s2) => s2.length > 0).sort((a, b) => a.length - b.length);

// src/lib/core/kit/cables.ts
function cablesOf(kit) {
  const used = /* @__PURE__ */ new Map();
  const take = (c) => used.set(c, (used.get(c) ?? 0) + 1);
  const told = /* @__PURE__ */ new Map();
  for (const { item } of kit.drives) {
    if (!item.cable) continue;
    const { to, function: fn } = item.cable;
    const found = kit.controllers.find((c) => c.item === to && (fn === void 0 || c.fn.id === fn));
    told.set(item.id, found ?? null);
    if (found) take(found);
  }
  const modules = new Set(moduleFunctions(kit.m.board.part).map((fn) => fn.id));
  const inBay = (c) => !modules.size || c.onBoard && modules.has(c.fn.id);
  return kit.drives.map((drive) => {
    const unit = drive.item.cable?.unit ?? null;
    if (told.has(drive.item.id)) return { drive, controller: entryOf(told, drive.item.id), told: true, unit };
    const wanted2 = drive.part.drive?.interface;
    const isModule = drive.part.drive?.bay === "module";
    const open = kit.controllers.filter(
      (c) => c.isOn && (used.get(c) ?? 0) < (c.fn.units ?? 2) && (!isModule || inBay(c))
    );
    const free2 = open.find((c) => speaks(c, wanted2)) ?? open.find((c) => carries(c, wanted2));
    if (free2) take(free2);
    return { drive, controller: free2 ?? null, told: false, unit };
  });
}
var codings = ["st506", "rll"];
var carries = (controller, wanted2) => speaks(controller, wanted2) || wanted2 !== void 0 && codings.includes(wanted2) && codings.some((c) => speaks(controller, c));
var speaks = (controller, wanted2) => wanted2 !== void 0 && (controller.fn.speaks ?? []).includes(wanted2);
var hasOwnRom = (kit, c) => !c.onBoard && (kit.parts.get(kit.build.items.find((i) => i.id === c.item)?.part ?? "")?.functions ?? []).some(
  (fn) => fn.claims.some((k) => k.resource === "memory" && k.use === "rom")
);

// src/lib/core/kit/bays.ts
var order2 = {
  "full-5": 0,
  "half-5": 1,
  "half-3": 2,
  "third-3": 3,
  outside: 4,
  module: 4,
  none: 4
};
function placeDrives(kit) {
  const chassis = kit.chassis?.part.chassis;
  if (!chassis) return [];
  const rails2 = kit.adapters.filter((a) => a.part.adapter.from === "third-3").reduce((n2, a) => n2 + (a.item.count ?? 1), 0);
  return placeIn(chassis, kit.drives, ({ part }) => part.drive.bay, rails2);
}
function placeIn(chassis, drives5, bayOf, railed) {
  const places = [
    ...Array.from({ length: chassis.bays.half5 }, (_, n2) => ({ kind: "half5", n: n2, half: 0 })),
    ...Array.from(
      { length: chassis.bays.full5 },
      (_, n2) => [0, 1].map((half) => ({ kind: "full5", n: n2, half }))
    ).flat()
  ];
  const small = Array.from({ length: chassis.bays.third3 }, (_, n2) => ({ kind: "third3", n: n2 }));
  let rails2 = railed;
  const takeFull = () => {
    const at2 = places.findIndex(
      (p, i) => p.kind === "full5" && p.half === 0 && places[i + 1]?.n === p.n && places[i + 1]?.half === 1
    );
    const [first] = at2 >= 0 ? places.splice(at2, 2) : places.filter((p) => p.kind === "half5").length > 1 ? places.splice(0, 2) : [];
    return first ? { kind: first.kind, n: first.n } : null;
  };
  const takeHalf = () => {
    const place2 = places.shift();
    return place2 ? { kind: place2.kind, n: place2.n } : null;
  };
  return [...drives5].sort((a, b) => order2[bayOf(a)] - order2[bayOf(b)]).flatMap((drive) => {
    const bay = bayOf(drive);
    if (bay === "outside" || bay === "module" || bay === "none") return [];
    if (bay === "full-5") return [{ drive, bay: takeFull(), rails: "none" }];
    if (bay === "half-5") return [{ drive, bay: takeHalf(), rails: "none" }];
    const own = small.shift();
    if (own) return [{ drive, bay: own, rails: "none" }];
    const half = takeHalf();
    return [{ drive, bay: half, rails: half === null ? "none" : rails2-- > 0 ? "there" : "missing" }];
  });
}

// src/lib/core/kit/memory.ts
var CONVENTIONAL_KIB = 640;
var cardMemories = ({ m, at: at2 }) => m.fitted.flatMap(
  (card) => card.part.functions.flatMap((fn) => {
    const isBackfill = fn.kind === "ems" && fn.startKiB !== void 0;
    if (!card.slot || !(fn.kind === "memory" || isBackfill) || !fn.memoryKiB || !isOn(card, fn, at2))
      return [];
    const setting = fn.startKiB?.setting;
    const position = setting === void 0 ? void 0 : at2(card.item.id, setting);
    const startKiB = position === void 0 ? null : fn.startKiB?.values[position] ?? null;
    const isSeen = setting !== void 0 && (setting in card.item.asFound || setting in card.item.chosen);
    if (!isBackfill) return [{ card, fn, kib: fn.memoryKiB, startKiB, isBackfill, isSeen }];
    const from = startKiB ?? CONVENTIONAL_KIB;
    const kib4 = Math.min(fn.memoryKiB, Math.max(0, CONVENTIONAL_KIB - from));
    return [{ card, fn, kib: kib4, startKiB: from, isBackfill, isSeen }];
  })
).sort((a, b) => (a.startKiB ?? Infinity) - (b.startKiB ?? Infinity));
var expandedKiB = (kit) => {
  const filled = cardMemories(kit).reduce((sum3, c) => sum3 + (c.isBackfill ? c.kib : 0), 0);
  const all = kit.m.fitted.flatMap(
    (f) => f.part.functions.filter((fn) => fn.kind === "ems" && !f.misfit && isOn(f, fn, kit.at))
  );
  return all.reduce((sum3, fn) => sum3 + (fn.memoryKiB ?? 0), 0) - filled;
};
var boardKiB = (kit) => kit.memory ? fittedKiB(
  kit.memory,
  [...kit.banks].flatMap(
    ([bank2, list2]) => list2.map(({ placed, count: count2 }) => ({ bank: bank2, module: placed.part.module, count: count2 }))
  )
) : 0;
function fitOf({ isBackfill, kib: kib4 }, from, endKiB) {
  if (isBackfill && kib4 === 0) return endKiB < CONVENTIONAL_KIB ? "unfilled" : "behind";
  return from > endKiB ? "gap" : from < endKiB ? "overlap" : "behind";
}
function stepsOf(kit) {
  let endKiB = boardKiB(kit);
  const steps = cardMemories(kit).map((c) => {
    const from = c.startKiB ?? endKiB;
    const step = { ...c, endsKiB: endKiB, fits: fitOf(c, from, endKiB) };
    if (step.fits !== "gap" && c.kib > 0) endKiB = Math.max(endKiB, Math.min(CONVENTIONAL_KIB, from + c.kib));
    return step;
  });
  return { steps, endKiB };
}
var cardSteps = (kit) => stepsOf(kit).steps;
var totalKiB = (kit) => Math.min(stepsOf(kit).endKiB, kit.firmware?.firmware?.mostBaseKiB ?? Infinity);

// src/lib/core/kit/chassis.ts
function boardInCase({ form: form4, slotSpacing }, { forms: forms3, spacing }) {
  if (form4 && !forms3.includes(form4)) return { why: "size", form: form4, takes: [...forms3] };
  return slotSpacing && spacing && slotSpacing !== spacing ? { why: "spacing", slots: slotSpacing, openings: spacing } : null;
}

// src/lib/core/video/modes.ts
var ttl = { mono: { horizontal: 18.43, vertical: 50 }, low: { horizontal: 15.75, vertical: 60 } };
var vga60 = { signal: "analogue", horizontal: 31.5, vertical: 60 };
var vga70 = { signal: "analogue", horizontal: 31.5, vertical: 70 };
var modes = [
  {
    id: "mono-text",
    label: "text, monochrome",
    signal: "mono",
    ...ttl.mono,
    width: 720,
    height: 350,
    bits: 0,
    standards: ["mono"]
  },
  {
    id: "mono-graphics",
    label: "720 \xD7 348 monochrome",
    signal: "mono",
    ...ttl.mono,
    width: 720,
    height: 348,
    bits: 1
  },
  {
    id: "cga-text",
    label: "text, colour, 200 lines",
    signal: "rgbi",
    ...ttl.low,
    width: 640,
    height: 200,
    bits: 0,
    standards: ["cga", "ega"]
  },
  {
    id: "cga-graphics",
    label: "320 \xD7 200 in 4 colours",
    signal: "rgbi",
    ...ttl.low,
    width: 320,
    height: 200,
    bits: 2,
    standards: ["cga", "ega"]
  },
  {
    id: "ega-200",
    label: "320 \xD7 200 in 16 colours",
    signal: "rgbi",
    ...ttl.low,
    width: 320,
    height: 200,
    bits: 4,
    standards: ["ega"]
  },
  {
    id: "ega-350",
    label: "640 \xD7 350 in 16 colours",
    signal: "ega",
    horizontal: 21.85,
    vertical: 60,
    width: 640,
    height: 350,
    bits: 4,
    standards: ["ega"]
  },
  {
    id: "ega-350-4",
    label: "640 \xD7 350 in 4 colours",
    signal: "ega",
    horizontal: 21.85,
    vertical: 60,
    width: 640,
    height: 350,
    bits: 2,
    standards: ["ega"]
  },
  {
    id: "vga-text",
    label: "text, 400 lines",
    ...vga70,
    width: 720,
    height: 400,
    bits: 0,
    standards: ["mcga", "vga"]
  },
  {
    id: "320x200x8",
    label: "320 \xD7 200 in 256 colours",
    ...vga70,
    width: 320,
    height: 200,
    bits: 8,
    standards: ["mcga", "vga"]
  },
  {
    id: "640x480",
    label: "640 \xD7 480",
    ...vga60,
    width: 640,
    height: 480,
    bits: 1,
    standards: ["mcga", "vga"]
  },
  { id: "640x480@60", label: "640 \xD7 480, 3D", ...vga60, width: 640, height: 480, bits: 16 },
  {
    id: "800x600@56",
    label: "800 \xD7 600 at 56 Hz",
    signal: "analogue",
    horizontal: 35.2,
    vertical: 56,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: "800x600@60",
    label: "800 \xD7 600 at 60 Hz",
    signal: "analogue",
    horizontal: 37.9,
    vertical: 60,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: "800x600@72",
    label: "800 \xD7 600 at 72 Hz",
    signal: "analogue",
    horizontal: 48.1,
    vertical: 72,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: "1024x768@87i",
    label: "1024 \xD7 768 interlaced",
    signal: "analogue",
    horizontal: 35.5,
    vertical: 87,
    width: 1024,
    height: 768,
    bits: 4
  },
  {
    id: "1024x768@60",
    label: "1024 \xD7 768 at 60 Hz",
    signal: "analogue",
    horizontal: 48.4,
    vertical: 60,
    width: 1024,
    height: 768,
    bits: 4
  },
  {
    id: "1024x768@70",
    label: "1024 \xD7 768 at 70 Hz",
    signal: "analogue",
    horizontal: 56.5,
    vertical: 70,
    width: 1024,
    height: 768,
    bits: 4
  }
];
var displayKiB = (width, height, bits2) => width * height * bits2 / 8 / 1024;
function modesOf(card) {
  return modes.filter((mode) => {
    if (mode.id === "mono-graphics") return card.monoGraphics;
    if (card.standard === "3d-only") return card.modes.includes(mode.id);
    const fits = displayKiB(mode.width, mode.height, mode.bits) <= card.memoryKiB;
    if (mode.standards) return mode.standards.includes(card.standard) && fits;
    return card.modes.includes(mode.id) && fits;
  });
}
function depthIn(card, mode) {
  if (mode.bits === 0 || mode.signal !== "analogue" || mode.id === "320x200x8") return mode.bits;
  const known3 = card.depths.length ? card.depths : card.standard === "mcga" ? [1] : [4];
  const fit2 = known3.filter((bits2) => displayKiB(mode.width, mode.height, bits2) <= card.memoryKiB);
  return Math.max(0, ...fit2);
}
var size = /^(\d+)x(\d+)x(\d+)$/;
function pictureKiB(picture4) {
  const [w, h, bits2] = size.exec(picture4)?.slice(1).map(Number) ?? [];
  return w && h && bits2 ? Math.ceil(displayKiB(w, h, bits2)) : null;
}
function gives(card, shown2, picture4) {
  const has3 = (id2) => shown2.some((m) => m.id === id2);
  switch (picture4) {
    case "text":
      return shown2.some((m) => m.bits === 0);
    case "mono-graphics":
      return has3("mono-graphics");
    case "cga":
      return has3("cga-graphics") || has3("320x200x8");
    case "ega":
      return has3("ega-350") || card.standard === "vga" && has3("640x480");
    case "mcga":
      return has3("320x200x8");
    case "vga":
      return card.standard === "vga" && has3("640x480");
    case "3d":
      return (card.accelerated === "3d" || card.standard === "3d-only") && shown2.some((m) => m.signal === "analogue");
    default: {
      const [w, h, bits2 = 0] = size.exec(picture4).slice(1).map(Number);
      return shown2.some((m) => m.width === w && m.height === h && depthIn(card, m) >= bits2);
    }
  }
}

// src/lib/core/video/monitor.ts
var inside = (value, low, high) => value >= low * 0.995 && value <= high * 1.005;
function modeOn(card, monitor, mode) {
  const plugs3 = card.outputs.filter((o) => o.signals.some((s2) => sends(s2, mode)));
  const inputs = monitor.inputs.filter((i) => plugs3.some((p) => p.plug === i.plug));
  if (!inputs.length) return "no-plug";
  const follows = monitor.horizontal.some((r) => inside(mode.horizontal, r.low, r.high)) && inside(mode.vertical, monitor.vertical.low, monitor.vertical.high);
  const understood = inputs.some((i) => i.signals.some((s2) => understands(s2, mode, i.plug)));
  if (follows && understood) return "shown";
  return monitor.fixed && !follows ? "danger" : "no-sync";
}
var sends = (signal2, mode) => signal2 === mode.signal || signal2 === "composite" && mode.signal === "rgbi" || signal2 === "ega" && mode.signal === "rgbi";
var understands = (signal2, mode, plug) => signal2 === mode.signal || plug === "composite" && mode.signal === "rgbi" || signal2 === "ega" && mode.signal === "rgbi";
var chain = (card, monitor) => modesOf(card).map((mode) => ({ mode, verdict: modeOn(card, monitor, mode) }));
function hookedMonitors(kit) {
  const taken = /* @__PURE__ */ new Set();
  return kit.monitors.map((monitor) => {
    const facts2 = monitor.part.monitor;
    const told = monitor.item.cable?.to;
    const on = kit.displays.filter((d) => d.isOn);
    const free2 = on.filter((d) => !taken.has(d) && d.facts.standard !== "3d-only");
    const display = told !== void 0 ? kit.displays.find((d) => d.item === told) ?? null : free2.find((d) => chain(d.facts, facts2).some((c) => c.verdict === "shown")) ?? free2[0] ?? null;
    if (display) taken.add(display);
    return { monitor, display, checks: display ? chain(withSwitch(kit, display), facts2) : [] };
  });
}
function withSwitch(kit, display) {
  const { monitorSwitch } = display.facts;
  if (!monitorSwitch) return display.facts;
  const position = kit.at(display.item, monitorSwitch.setting);
  const set = position === void 0 ? void 0 : monitorSwitch.values[position];
  if (set === void 0) return display.facts;
  const sent = {
    mono: ["mono"],
    colour: ["rgbi", "composite"],
    "enhanced-200": ["rgbi"],
    "enhanced-350": ["ega", "rgbi"]
  };
  const standard2 = set === "mono" ? "mono" : display.facts.standard === "ega" && set === "enhanced-350" ? "ega" : display.facts.standard === "ega" ? "ega" : "cga";
  return {
    ...display.facts,
    standard: standard2,
    monoGraphics: display.facts.monoGraphics && set === "mono",
    outputs: display.facts.outputs.map((o) => ({ ...o, signals: o.signals.filter((s2) => sent[set].includes(s2)) })).filter((o) => o.signals.length)
  };
}

// src/lib/core/settings/meaning.ts
function meaningsOf(part) {
  const out2 = [];
  const say = (fact, id2, values, fn) => {
    const setting = part.settings.find((s2) => s2.id === id2);
    if (setting?.known)
      out2.push({ fact, setting, values: new Map(Object.entries(values)), ...fn ? { fn } : {} });
  };
  const offered3 = (fact, told) => {
    if (told && !Array.isArray(told)) say(fact, told.setting, told.values);
  };
  const { board: board3, video } = part;
  offered3("bus-mhz", board3?.busClock);
  offered3("factor", board3?.multiplier);
  offered3("volts", board3?.coreVolts);
  offered3("bus-divisor", board3?.busDivisor);
  if (board3?.displaySwitch) say("display", board3.displaySwitch.setting, board3.displaySwitch.values);
  if (board3?.fpuSwitch) {
    const { setting, fitted, none } = board3.fpuSwitch;
    say("fpu", setting, { [none]: 0, [fitted]: 1 });
  }
  if (video?.monitorSwitch) say("monitor", video.monitorSwitch.setting, video.monitorSwitch.values);
  for (const { fact, setting, values } of part.means ?? []) say(fact, setting, values);
  if (board3)
    for (const fn of part.functions)
      for (const match of fn.off) {
        const [[id2, off] = ["", []], ...more] = Object.entries(match);
        const setting = part.settings.find((s2) => s2.id === id2);
        if (!setting || more.length || !isByHand(part, setting)) continue;
        const values = setting.positions.map((p) => [p.id, off.includes(p.id) ? "off" : "on"]);
        say("on-board", id2, Object.fromEntries(values), fn.id);
      }
  return out2;
}
var blockOf = (part, setting) => part.blocks.find((b) => b.id === setting.block);
var isHandBlock = (block) => BLOCK_KINDS[block.kind].byHand;
function isByHand(part, setting) {
  const block = blockOf(part, setting);
  return block !== void 0 && isHandBlock(block);
}

// src/lib/core/settings/look.ts
var exactly = (value, ...because) => ({
  value,
  because,
  suits: (v) => v === value
});
var left = (severity, consequence) => ({
  severity,
  consequence
});
var filledBanks = (kit) => (kit.memory?.banks ?? []).filter((b) => (kit.banks.get(b.id)?.length ?? 0) > 0).map((b) => b.label ?? b.id);
var floppies = (kit) => cablesOf(kit).filter((c) => c.drive.part.drive.interface === "floppy").filter((c) => !c.controller || !hasOwnRom(kit, c.controller)).map((c) => c.drive);
var seen = (kit) => (s2) => isLookedAt(kit.build.board, s2);
function busMHz(kit) {
  const { cpu: cpu2 } = kit;
  const set = clocksOf(kit.board, cpu2, kit.at, seen(kit)).bus;
  if (set.setting === null && set.value !== null) return set.value;
  const position = cpu2 && settingsFor(kit.board, cpu2);
  const told = kit.facts.busClock;
  if (position && told && !Array.isArray(told)) return told.values[position[told.setting] ?? ""] ?? set.value;
  return set.value ?? cpu2?.cpu?.busMHz ?? null;
}
var nameOf = ({ id: id2, label }) => label === void 0 ? { id: id2 } : { id: id2, label };
var displayOrder = ["own-bios", "colour", "mono"];
function displaysOf2(kit) {
  return kit.displays.filter((d) => d.isOn && d.facts.standard !== "3d-only").map((d) => {
    const sent = withSwitch(kit, d).standard;
    const slot2 = kit.m.find(d.item)?.slot;
    return {
      kind: sent === "mono" ? "mono" : sent === "cga" ? "colour" : "own-bios",
      title: d.title,
      where: slot2 ? nameOf(slot2) : null
    };
  }).sort((x, y) => displayOrder.indexOf(x.kind) - displayOrder.indexOf(y.kind));
}
var byCpu = (why) => (kit, of2) => {
  if (!kit.cpu) return null;
  const { name: name2, cpu: cpu2 } = kit.cpu;
  const position = settingsFor(kit.board, kit.cpu)?.[of2.setting.id];
  const value = position === void 0 ? void 0 : of2.values.get(position);
  if (value === void 0) return null;
  const { busMHz: busMHz2, coreMHz } = cpu2;
  return exactly(
    value,
    { is: "cpu-rating", cpu: name2, busMHz: busMHz2, factor: ratedFactor(cpu2), coreMHz },
    why(cpu2)
  );
};
var keyboardOf = (kit) => {
  const protocols = kit.keyboard?.part.keyboard?.protocols ?? [];
  const both = protocols.filter((p) => kit.facts.keyboard?.protocols.includes(p));
  return both.find((p) => p === "at") ?? both[0] ?? null;
};
var rivals = (kit, of2) => {
  const fn = byId(kit.board.functions, sure(of2.fn, "block function"));
  const single = fn.kind === "display" || fn.kind === "floppy" || fn.kind === "hard-disk";
  const cards2 = single ? kit.m.fitted.filter(
    (f) => f.part.card && f.part.functions.some((x) => x.kind === fn.kind && !isOffOn(kit, f.item.id, x.id))
  ) : [];
  return { fn, cards: cards2 };
};
var isOffOn = (kit, item, fn) => kit.controllers.some((c) => c.item === item && c.fn.id === fn && !c.isOn);
var isUsed = (kit, item, fn) => kit.build.brief.mustBeOn.some((r) => r.item === item && r.function === fn) || cablesOf(kit).some((c) => c.told && c.controller?.item === item && c.controller.fn.id === fn);
var cautious = (value, want, low, high) => Number(value) > want ? { ...high, more: true } : { ...low, more: false };
function hookedAt(kit, of2, value) {
  const position = [...of2.values].find(([, v]) => v === value)?.[0];
  const at2 = (item, s2) => item === of2.item && s2 === of2.setting.id ? position : kit.at(item, s2);
  return hookedMonitors({ ...kit, at: at2 }).find((h) => h.display?.item === of2.item);
}
function monitorWant(kit, of2) {
  const monitor = hookedMonitors(kit).find((h) => h.display?.item === of2.item)?.monitor;
  if (!monitor) return null;
  const shown2 = /* @__PURE__ */ new Map();
  for (const value of new Set(of2.values.values())) {
    const checks = hookedAt(kit, of2, value)?.checks ?? [];
    const isDanger = checks.some((c) => c.verdict === "danger" && c.mode.standards);
    const count2 = checks.filter((c) => c.verdict === "shown").length;
    if (count2 && !isDanger) shown2.set(value, count2);
  }
  const best = Math.max(0, ...shown2.values());
  if (!best) return null;
  const good = [...shown2].filter(([, n2]) => n2 === best).map(([v]) => v);
  return {
    value: { either: good },
    because: [{ is: "monitor-connected", title: monitor.title }, { is: "monitor-kind-is-safe" }],
    suits: (v) => good.includes(v)
  };
}

// src/lib/core/settings/facts.ts
var factRules = {
  fpu: {
    want: (kit) => kit.fpu ? exactly(1, { is: "fpu-fitted", title: kit.fpu.title }) : exactly(0, { is: "no-fpu" }),
    wrong: (_, value) => left("clash", { is: value === 1 ? "fpu-missing" : "fpu-hidden" })
  },
  banks: {
    want: (kit) => {
      const banks3 = filledBanks(kit);
      return banks3.length ? exactly(banks3.length, { is: "banks-filled", banks: banks3, totalKiB: totalKiB(kit) }) : null;
    },
    wrong: (kit, value) => cautious(
      value,
      filledBanks(kit).length,
      left("clash", { is: "memory-fewer-banks" }),
      left("clash", { is: "memory-empty-banks" })
    )
  },
  "memory-kib": {
    want: (kit) => {
      const total = totalKiB(kit);
      return total ? exactly(total, { is: "banks-hold", totalKiB: total }, { is: "other-block-sets-banks" }) : null;
    },
    wrong: (kit, value) => cautious(
      value,
      totalKiB(kit),
      left("clash", { is: "memory-counts-only", kib: Number(value) }),
      left("clash", { is: "memory-ends-early" })
    )
  },
  display: {
    want: (kit, of2) => {
      const all = displaysOf2(kit);
      if (!all.length) return null;
      const offered3 = new Set(of2.values.values());
      const told = ({ kind: kind2 }) => kind2 === "own-bios" && !offered3.has(kind2) ? "colour" : kind2;
      const kinds3 = all.map(told);
      return {
        value: there(kinds3[0]),
        because: [
          ...all.map((shown2) => ({ is: "display", ...shown2 })),
          ...kinds3[0] === there(all[0]).kind ? [] : [{ is: "own-bios-counts-as-colour" }],
          ...new Set(kinds3).size > 1 ? [{ is: "either-display-first" }] : []
        ],
        suits: (v) => v === "any" || kinds3.some((k) => k === v),
        rank: (v) => kinds3.findIndex((k) => k === v)
      };
    },
    wrong: (kit) => kit.facts.class === "at" && displaysOf2(kit)[0]?.kind === "own-bios" ? left("note", { is: "display-complains" }) : left("clash", { is: "display-dark" })
  },
  floppies: {
    want: (kit) => {
      const titles = floppies(kit).map((d) => d.title);
      const count2 = titles.length;
      return {
        value: count2,
        because: [{ is: "floppies", titles }],
        suits: (v) => v === count2 || count2 === 0 && v === 1,
        rank: (v) => Math.abs(Number(v) - count2)
      };
    },
    wrong: (kit, value) => cautious(
      value,
      floppies(kit).length,
      left("caution", { is: "floppies-no-letter" }),
      left("caution", { is: "floppies-waited-for" })
    )
  },
  "bus-mhz": {
    want: byCpu(() => ({ is: "clock-is-outside" })),
    wrong: (kit, value) => {
      const rated = kit.cpu?.cpu;
      if (!rated || !tooFast(Number(value), rated.busMHz))
        return left("note", { is: "cpu-slower-outside", cpu: kit.cpu?.name ?? null });
      return left(
        "clash",
        sameClock(Number(value), rated.coreMHz) ? { is: "cpu-core-clock-outside", mhz: rated.coreMHz } : { is: "cpu-above-rating" }
      );
    }
  },
  factor: {
    want: (kit, of2) => kit.cpu?.cpu && hasMultiplierPins(kit.cpu.cpu) ? byCpu(() => ({ is: "code-is-read" }))(kit, of2) : null,
    wrong: (kit) => {
      const { core } = clocksOf(kit.board, kit.cpu, kit.at, seen(kit));
      return core !== null && kit.cpu?.cpu && tooFast(core, kit.cpu.cpu.coreMHz) ? left("clash", { is: "cpu-core-too-fast", mhz: core }) : left("note", { is: "cpu-slower-inside" });
    }
  },
  volts: {
    want: byCpu(({ volts: volts2 }) => ({ is: "cpu-volts", ...volts2 })),
    wrong: (kit, value) => Number(value) > (kit.cpu?.cpu?.volts.high ?? 0) ? left("stop", { is: "volts-too-high" }) : left("clash", { is: "volts-too-low" })
  },
  "bus-divisor": {
    want: (kit, of2) => {
      const bus = busMHz(kit);
      if (bus === null) return null;
      const all = [...of2.values.values()].map(Number);
      const good = all.filter((d) => bus / d <= ISA.safe);
      const best = good.length ? Math.min(...good) : Math.max(...all);
      return exactly(
        best,
        { is: "external-clock", mhz: bus },
        { is: "isa-clock", busMHz: bus, divisor: best, isaMHz: bus / best }
      );
    },
    wrong: (kit, value) => {
      const isa = (busMHz(kit) ?? 0) / Number(value);
      return isa > ISA.most ? left("clash", { is: "isa-clock", mhz: isa, how: "fails" }) : isa > ISA.safe ? left("caution", { is: "isa-clock", mhz: isa, how: "some-fail" }) : left("note", { is: "isa-clock", mhz: isa, how: "slower" });
    }
  },
  "cache-kib": {
    want: (kit) => {
      const kib4 = kit.facts.cacheKiB;
      return kib4 ? exactly(kib4, { is: "cache-fitted", kib: kib4 }) : null;
    },
    wrong: (kit, value) => cautious(
      value,
      kit.facts.cacheKiB ?? 0,
      left("note", { is: "cache-unused" }),
      left("clash", { is: "cache-missing" })
    )
  },
  "vlb-mhz": {
    want: (kit) => {
      const bus = busMHz(kit);
      return bus === null ? null : {
        value: { mhz: bus > LOCAL_BUS.noWait ? "above-33" : "up-to-33" },
        because: [{ is: "local-bus-clock", mhz: bus }],
        suits: (v) => Number(v) >= bus - 0.5,
        rank: Number
      };
    },
    wrong: (kit, value) => Number(value) + 0.5 < (busMHz(kit) ?? 0) ? left("clash", { is: "local-bus-set-slower" }) : left("note", { is: "local-bus-set-faster" })
  },
  "vlb-wait": {
    want: (kit) => {
      const bus = busMHz(kit);
      return bus === null ? null : exactly(bus > LOCAL_BUS.noWait ? 1 : 0, { is: "local-bus-waits", mhz: bus });
    },
    wrong: (_, value) => value === 0 ? left("caution", { is: "local-bus-no-wait" }) : left("note", { is: "local-bus-needless-wait" })
  },
  "wait-states": {
    want: (kit) => {
      const bus = kit.cpu?.cpu?.coreMHz ?? busMHz(kit);
      const slowest = Math.max(0, ...[...kit.banks.values()].flat().map((x) => x.placed.part.module.ns));
      if (bus === null || !kit.cpu?.cpu || !slowest) return null;
      const { needed: needed2, rests } = waitStates(kit.cpu.cpu.family, bus, slowest);
      if (needed2 === null) return null;
      return {
        value: needed2,
        because: [
          { is: "memory-speed", ns: slowest, mhz: bus },
          { is: "waits-estimate", rests }
        ],
        suits: (v) => Number(v) >= needed2,
        rank: Number
      };
    },
    wrong: (_, value) => Number(value) === 0 ? left("caution", { is: "memory-too-slow" }) : left("note", { is: "memory-needless-wait" })
  },
  battery: {
    want: (kit) => {
      const isOff = kit.build.acknowledged.some((a) => a.startsWith("battery.leak"));
      const { battery: battery3 } = kit.facts;
      if (battery3 === "barrel" && isOff)
        return exactly("external", { is: "battery-taken-off" }, { is: "battery-on-header" });
      return battery3 === "barrel" || battery3 === "coin" ? exactly("on-board", { is: "battery-fitted", kind: battery3 }) : null;
    },
    wrong: (_, value) => left("caution", { is: value === "external" ? "battery-cut-off" : "battery-charged-wrongly" })
  },
  keyboard: {
    want: (kit) => {
      const protocol = keyboardOf(kit);
      return protocol && kit.keyboard ? exactly(protocol, { is: "keyboard-speaks", title: kit.keyboard.title, protocol }) : null;
    },
    wrong: () => left("clash", { is: "keyboard-dead" })
  },
  monitor: {
    want: (kit, of2) => monitorWant(kit, of2),
    wrong: (kit, value, of2) => {
      const hooked = hookedAt(kit, of2, value);
      return hooked?.checks.some((c) => c.verdict === "danger" && c.mode.standards) ? left("stop", { is: "monitor-damaged" }) : left("clash", { is: "monitor-wrong-picture" });
    }
  },
  "bus-width": {
    want: (kit, of2) => {
      const slot2 = kit.m.find(of2.item)?.slot;
      if (!slot2) return null;
      const bits2 = slot2.bus === "isa8" || kit.facts.class === "xt" ? 8 : 16;
      const width = { is: "slot-width", slot: nameOf(slot2), bits: bits2 };
      return bits2 === 8 ? exactly(8, width) : {
        value: 16,
        because: [width, { is: "eight-bits-also-work" }],
        suits: (v) => v === 16 || v === 8,
        rank: (v) => -Number(v)
      };
    },
    wrong: () => left("clash", { is: "rom-read-wrong" })
  },
  "rom-write": {
    want: () => exactly("off", { is: "rom-written-while-programmed" }, { is: "off-after-commissioning" }),
    wrong: () => left("caution", { is: "rom-overwritten" })
  },
  "on-board": {
    want: (kit, of2) => {
      const { fn, cards: cards2 } = rivals(kit, of2);
      if (cards2.length)
        return exactly(
          "off",
          { is: "cards-do-the-same", cards: cards2.map((c) => c.title) },
          { is: "board-goes-off" }
        );
      if (isUsed(kit, "board", fn.id)) return exactly("on", { is: "function-in-use", label: fn.label });
      const needed2 = cablesOf(kit).some((c) => !c.told && fn.speaks?.includes(c.drive.part.drive.interface));
      return needed2 ? exactly("on", { is: "drive-needs-function", label: fn.label }) : null;
    },
    wrong: (kit, value, of2) => {
      const { fn, cards: cards2 } = rivals(kit, of2);
      return left(
        "clash",
        value === "on" ? { is: "two-answer", label: fn.label, card: cards2[0]?.title ?? null } : { is: "function-off", label: fn.label }
      );
    }
  }
};

// src/lib/core/disks/disks.ts
function firmwareFacts(disk) {
  if (disk.translation === "rom" || disk.types === 0 && !disk.user) return null;
  return {
    types: disk.types,
    user: disk.user,
    translation: disk.translation,
    // A field of 12 bits takes more than it keeps; others take what they keep.
    ...disk.cylinders === 4096 ? { biosCylinders: 4096 } : disk.cylinders ? { mostTyped: disk.cylinders } : {},
    ...disk.hangs ? { hangs: disk.hangs } : {},
    ...disk.table ? { table: disk.table } : {},
    ...disk.keepsLast ? { keepsLast: true } : {},
    ...disk.extensions ? { extensions: true } : {}
  };
}
var romFacts = (kind2) => ({
  types: 0,
  user: false,
  isRom: true,
  translation: kind2 === "scsi" ? "scsi" : kind2 === "ata" ? "lba" : "none"
});
function sizeOf({ drive: facts2 }, record) {
  if (!facts2) return null;
  const translates = facts2.interface === "ata";
  const { precomp, landing } = facts2;
  const mechanics = {
    ...precomp === void 0 ? {} : { precomp },
    ...landing === void 0 ? {} : { landing }
  };
  if (record?.real) {
    const { total, ...physical2 } = record.real;
    const byNumber = facts2.interface === "scsi";
    return {
      physical: physical2,
      ...total ? { total } : {},
      translates,
      ...byNumber ? { byNumber } : {},
      ...mechanics
    };
  }
  const { geometry, sectors } = facts2;
  if (geometry)
    return { physical: geometry, ...sectors ? { total: sectors } : {}, translates, ...mechanics };
  if (facts2.interface !== "scsi" || !sectors) return null;
  const physical = { cylinders: Math.min(65536, Math.ceil(sectors / 1008)), heads: 16, sectors: 63 };
  return { physical, total: sectors, translates, byNumber: true };
}
var isDisk = (part) => part.drive?.medium === "hard" || part.drive?.medium === "flash";
var disksOf = (kit, whatIf = {}) => cablesOf(kit).filter(({ drive }) => isDisk(drive.part)).map(({ drive, controller }) => diskOf(kit, drive, controller, whatIf));
function diskOf(kit, drive, controller, whatIf) {
  const kind2 = drive.part.drive.interface;
  const firmware = whatIf.bios ?? kit.firmware?.firmware?.disk;
  const record = drive.item.disk;
  const size2 = sizeOf(drive.part, record);
  const byRom = whatIf.byRom || kind2 === "scsi" || controller !== null && hasOwnRom(kit, controller);
  const facts2 = byRom ? romFacts(kind2) : firmware ? firmwareFacts(firmware) : null;
  const dos = whatIf.dos ?? systemOf(kit.build.brief.os).dos;
  return {
    drive,
    controller,
    size: size2,
    facts: facts2,
    dos,
    verdicts: size2 && record ? verdictsOf(size2, record, facts2, dos) : []
  };
}
var choicesFor = ({ size: size2, facts: facts2, dos }) => size2 && facts2 ? setupChoices(size2, facts2, dos) : [];
var physicalOf = ({ cylinders, heads, sectors }) => ({
  cylinders,
  heads: Math.min(16, heads),
  sectors
});
function typedOf({ drive, size: size2, facts: facts2 }) {
  const setup2 = drive.item.disk?.setup;
  if (!setup2 || !size2 || !facts2 || facts2.isRom) return null;
  const physical = physicalOf(setup2);
  const keepsTotal = asksDrive(facts2) && sameShape(physical, size2.physical);
  return {
    physical,
    translates: size2.translates,
    ...keepsTotal && size2.total ? { total: size2.total } : {}
  };
}
var asksDrive = ({ translation }) => translation.startsWith("lba");
var sameShape = (a, b) => a.cylinders === b.cylinders && a.heads === b.heads && a.sectors === b.sectors;
function standing2(disk) {
  const { size: size2, facts: facts2, dos } = disk;
  return size2 && facts2 ? barriersOf(typedOf(disk) ?? size2, facts2, dos) : [];
}
function verdictsOf(size2, { setup: setup2, made: made2, plan: plan2 }, facts2, dos) {
  const total = size2.total ?? sectorsOf(size2.physical);
  if (facts2?.isRom) {
    if (!made2) return [];
    const { geometry: geometry2, usable } = offered(size2.physical, facts2, size2.total);
    return guard({ geometry: geometry2, logical: geometry2, usable }, null, made2).filter((v) => v.grade === "stop");
  }
  if (!setup2) return [];
  const { cylinders, heads, sectors } = setup2;
  const geometry = { cylinders, heads, sectors };
  const asked2 = facts2 !== null && asksDrive(facts2) && sameShape(geometry, size2.physical);
  const given = facts2 && heads <= 16 ? offered(geometry, facts2, asked2 ? total : void 0) : null;
  const logical = given?.geometry ?? geometry;
  const declared = { geometry, logical, usable: given?.usable ?? sectorsOf(geometry) };
  return guard(declared, asked2 ? null : total, made2 ?? null, plan2 ? planIn(logical, plan2, dos) : null);
}
function planIn(geometry, sizes, dos) {
  try {
    return partition(geometry, dos ?? 6.22, sizes);
  } catch (error) {
    if (!(error instanceof GeometryError)) throw error;
    return null;
  }
}

// src/lib/core/cabling/lines.ts
var selects = ["first", "second", "third", "fourth"];
var floppyHost = { 10: "motor A", 12: "select B", 14: "select A", 16: "motor B" };
var floppySelectLine = { first: 10, second: 12, third: 14, fourth: 6 };
var FLOPPY_MOTOR = 16;
var diskSelectLine = { first: 26, second: 28, third: 30, fourth: 32 };
var turned = (line2, from, to) => line2 >= from && line2 <= to ? from + to - line2 : line2;
function floppyLetter(ribbon, behind, select) {
  const at2 = (line2) => {
    if (!behind) return floppyHost[line2];
    if (ribbon === "floppy-twist") return floppyHost[turned(line2, 10, 16)];
    return ribbon === "disk-twist" ? void 0 : floppyHost[line2];
  };
  const [select_, motor] = [at2(floppySelectLine[select]), at2(FLOPPY_MOTOR)];
  for (const letter of ["A", "B"])
    if (select_ === `select ${letter}` && motor === `motor ${letter}`) return letter;
  return null;
}
function diskNumber(ribbon, behind, select) {
  if (behind && ribbon === "floppy-twist") return null;
  const line2 = diskSelectLine[select];
  const asked2 = behind && ribbon === "disk-twist" ? turned(line2, 25, 29) : line2;
  return asked2 === diskSelectLine.first ? 1 : asked2 === diskSelectLine.second ? 2 : null;
}
var selectFor = (wanted2, answers) => selects.find((s2) => answers(s2) === wanted2) ?? null;

// src/lib/core/cabling/chains.ts
var families2 = {
  ata: "ata",
  xta: "ata",
  st506: "st506",
  rll: "st506",
  esdi: "st506",
  scsi: "scsi",
  floppy: "floppy"
};
var usual2 = {
  ata: "straight",
  st506: "disk-twist",
  scsi: "straight",
  floppy: "floppy-twist"
};
var unitsOf = {
  ata: ["single", "master", "slave", "cable select"],
  st506: ["first", "second", "third", "fourth"],
  scsi: ["0", "1", "2", "3", "4", "5", "6", "7"],
  floppy: ["first", "second", "third", "fourth"]
};
var room = { ata: 2, st506: 2, floppy: 2, scsi: 15 };
var ADAPTER_ID = "7";
var familyOf = (kind2) => families2[kind2] ?? null;
function chainsOf(kit) {
  const groups = /* @__PURE__ */ new Map();
  for (const c of cablesOf(kit)) {
    const family3 = familyOf(c.drive.part.drive.interface);
    if (!c.controller || !family3) continue;
    const key = `${c.controller.item}/${c.controller.fn.id}/${family3}`;
    const group = groups.get(key) ?? { controller: c.controller, family: family3, drives: [] };
    group.drives.push(c);
    groups.set(key, group);
  }
  return [...groups.values()].flatMap(
    ({ controller, family: family3, drives: drives5 }) => halves(drives5, room[family3]).map((list2) => chain2(kit, controller, family3, list2))
  );
}
function halves(list2, size2) {
  return list2.length <= size2 ? [[...list2]] : [list2.slice(0, size2), ...halves(list2.slice(size2), size2)];
}
function chain2(kit, controller, family3, cabled) {
  const host = controller.onBoard ? kit.build.board : byId(kit.build.items, controller.item);
  const told = host.ribbons?.[controller.fn.id];
  const isEsdi = cabled.some((c) => c.drive.part.drive.interface === "esdi");
  const ribbon = told ?? (isEsdi ? "straight" : usual2[family3]);
  const isTwisted = family3 === "st506" || family3 === "floppy" ? ribbon !== "straight" : false;
  const places = plugs(cabled, family3, isTwisted);
  const isOutside = (c) => c.drive.part.drive.bay === "outside" && family3 === "scsi";
  const seats3 = cabled.map((c) => ({ c, plug: entryOf(places, c), outside: isOutside(c) })).sort((a, b) => Number(b.outside) - Number(a.outside) || a.plug - b.plug);
  const isEnd = (s2) => seats3.every((o) => o.outside !== s2.outside || o.plug <= s2.plug);
  const inside2 = seats3.some((s2) => !s2.outside);
  const outside = seats3.some((s2) => s2.outside);
  const wanted2 = unitsWanted[family3](cabled, ribbon);
  const hasTerminator = ribbon === "end-terminator";
  return {
    family: family3,
    controller,
    ribbon,
    ribbonTold: told !== void 0,
    drives: seats3.map((s2) => {
      const { item } = s2.c.drive;
      const behind = isTwisted && s2.plug === 2;
      const unit = unitNow(family3, s2.c, behind, ribbon);
      const want = unitWanted(family3, ribbon, behind, there(wanted2[cabled.indexOf(s2.c)]));
      return {
        drive: s2.c.drive,
        plug: s2.plug,
        isOutside: s2.outside,
        isEnd: isEnd(s2),
        unit,
        terminated: item.terminated ?? null,
        want: {
          unit: want,
          terminated: family3 === "scsi" ? isEnd(s2) && (s2.outside || !hasTerminator) : family3 === "st506" ? isEnd(s2) : null
        },
        answers: answersTo(family3, ribbon, behind, unit ?? want)
      };
    }),
    adapter: family3 === "scsi" ? { terminated: host.terminated ?? null, want: !(inside2 && outside) } : null
  };
}
function plugs(cabled, family3, isTwisted) {
  const at2 = /* @__PURE__ */ new Map();
  const free2 = new Set(Array.from({ length: Math.max(2, cabled.length) }, (_, i) => i + 1));
  const letter = { A: 2, B: 1 };
  for (const c of cabled) {
    const told = c.drive.item.cable?.plug ?? (family3 === "floppy" ? letter[c.unit ?? ""] : void 0);
    if (told === void 0) continue;
    at2.set(c, told);
    free2.delete(told);
  }
  for (const c of cabled) {
    if (at2.has(c)) continue;
    const [first] = isTwisted ? [...free2].sort((a, b) => b - a) : free2;
    at2.set(c, first ?? cabled.length);
    if (first !== void 0) free2.delete(first);
  }
  return at2;
}
function unitNow(family3, { unit, drive }, behind, ribbon) {
  if (family3 !== "floppy") return unit;
  const { select } = drive.item.cable ?? {};
  if (select) return select;
  if (unit !== "A" && unit !== "B") return null;
  return selectFor(unit, (s2) => floppyLetter(ribbon, behind, s2));
}
function scsiNumbers(cabled) {
  const taken = /* @__PURE__ */ new Set([ADAPTER_ID, ...cabled.map((c) => c.unit)]);
  const given = /* @__PURE__ */ new Set([ADAPTER_ID]);
  return cabled.map(({ unit }) => {
    const id2 = unit !== null && !given.has(unit) ? unit : unitsOf.scsi.find((u) => !taken.has(u)) ?? "0";
    taken.add(id2);
    given.add(id2);
    return id2;
  });
}
function ataUnits(cabled, ribbon) {
  const units = cabled.map((c) => c.unit);
  if (units.length === 1) return [units[0] === "master" || units[0] === "cable select" ? units[0] : "single"];
  const isByCable = units.every((u) => u === null || u === "cable select");
  if (ribbon === "cable-select" && units.includes("cable select") && isByCable)
    return units.map(() => "cable select");
  const isSlave = (c) => c.unit === "slave";
  const master = cabled.find((c) => c.unit === "master" || c.unit === "single") ?? cabled.find((c) => !isSlave(c) && c.drive.part.drive.medium !== "optical") ?? cabled.find((c) => !isSlave(c)) ?? cabled[0];
  return cabled.map((c) => c === master ? "master" : "slave");
}
var unitsWanted = {
  ata: ataUnits,
  scsi: scsiNumbers,
  st506: (cabled) => cabled.map((_, i) => String(i + 1)),
  floppy: (cabled) => cabled.map(() => "")
};
function unitWanted(family3, ribbon, behind, wanted2) {
  if (family3 === "floppy") {
    const letter = ribbon === "straight" ? "B" : behind ? "A" : "B";
    return selectFor(letter, (s2) => floppyLetter(ribbon, behind, s2)) ?? "second";
  }
  if (family3 !== "st506") return wanted2;
  const number = ribbon === "disk-twist" ? behind ? 1 : 2 : Number(wanted2);
  return selectFor(number, (s2) => diskNumber(ribbon, behind, s2)) ?? "second";
}
function answersTo(family3, ribbon, behind, unit) {
  if (family3 === "floppy") return floppyLetter(ribbon, behind, unit);
  if (family3 === "st506") {
    const n2 = diskNumber(ribbon, behind, unit);
    return n2 === null ? null : String(n2);
  }
  return unit;
}

// src/lib/core/cabling/faults.ts
var id = (p) => p.drive.item.id;
var it = (p) => thingOf(p.drive);
var jumperFix = (p, unit) => [
  {
    label: { kind: "jumper", drive: p.drive.title, unit },
    fix: { action: "jumper", item: id(p), unit }
  }
];
var terminatorFix = (item, device2, fitted) => [
  { label: { kind: "terminators", device: device2, fitted }, fix: { action: "jumper", item, terminated: fitted } }
];
var cableFix = ({ controller }, twist) => {
  const ribbon = twist === "disk" ? "disk-twist" : "floppy-twist";
  return [
    {
      label: { kind: "cable", twist },
      fix: { action: "ribbon", item: controller.item, function: controller.fn.id, ribbon }
    }
  ];
};
function pairs(drives5) {
  return drives5.flatMap((a, i) => drives5.slice(i + 1).map((b) => [a, b]));
}
var ata = ({ drives: drives5, ribbon, ribbonTold }) => {
  const rule = "ata.select";
  const isFirst = (p) => p.unit === "master" || p.unit === "single";
  const isByCable = (p) => p.unit === "cable select";
  const out2 = pairs(drives5).flatMap(([a, b]) => {
    const about2 = [id(a), id(b)];
    const both = { a: it(a), b: it(b) };
    const slaves = a.unit === "slave" && b.unit === "slave";
    if (isFirst(a) && isFirst(b) || slaves)
      return [
        {
          rule,
          severity: "clash",
          about: about2,
          facts: { why: "both", ...both, as: slaves ? "slave" : "master" },
          fixes: jumperFix(slaves ? a : b, slaves ? "master" : "slave")
        }
      ];
    if (a.unit && b.unit && isByCable(a) !== isByCable(b))
      return [{ rule, severity: "caution", about: about2, facts: { why: "mixed", ...both }, fixes: [] }];
    if (isByCable(a) && isByCable(b) && ribbon !== "cable-select")
      return [
        {
          rule,
          severity: ribbonTold ? "clash" : "caution",
          about: about2,
          facts: { why: "cable-select", ...both, known: ribbonTold },
          fixes: [...jumperFix(a, "master"), ...jumperFix(b, "slave")]
        }
      ];
    const single = [a, b].find((p) => p.unit === "single");
    return single && [a, b].some((p) => p.unit === "slave") ? [
      {
        rule,
        severity: "note",
        about: about2,
        facts: { why: "only", drive: it(single) },
        fixes: jumperFix(single, "master")
      }
    ] : [];
  });
  const [only] = drives5;
  if (only && drives5.length === 1 && only.unit === "slave")
    out2.push({
      rule,
      severity: "caution",
      about: [id(only)],
      facts: { why: "lone-slave", drive: it(only) },
      fixes: jumperFix(only, "single")
    });
  return out2;
};
var st506 = (chain3) => {
  const { drives: drives5, ribbon, controller } = chain3;
  const rule = "st506.select";
  const twisted = ribbon === "disk-twist";
  const out2 = [];
  if (ribbon === "floppy-twist")
    out2.push({
      rule,
      severity: "clash",
      about: [controller.item, ...drives5.map(id)],
      facts: { why: "floppy-cable", controller: controller.owner },
      fixes: cableFix(chain3, "disk")
    });
  else
    for (const p of drives5.filter((d) => d.unit !== null && d.answers === null))
      out2.push({
        rule,
        severity: "clash",
        about: [id(p)],
        facts: { why: "unselected", drive: it(p), unit: p.unit, wants: p.want.unit },
        fixes: jumperFix(p, p.want.unit)
      });
  for (const [a, b] of pairs(drives5))
    if (a.unit !== null && b.unit !== null && a.answers !== null && a.answers === b.answers)
      out2.push({
        rule,
        severity: "clash",
        about: [id(a), id(b)],
        facts: { why: "both", a: it(a), b: it(b), as: a.answers, twisted },
        fixes: [a, b].filter((p) => p.unit !== p.want.unit).flatMap((p) => jumperFix(p, p.want.unit))
      });
  const [only] = drives5;
  if (only && drives5.length === 1 && only.unit !== null && only.answers === "2")
    out2.push({
      rule,
      severity: "caution",
      about: [id(only)],
      facts: { why: "no-first", drive: it(only), twisted },
      fixes: ribbon === "straight" ? jumperFix(only, "first") : []
    });
  for (const p of drives5) {
    if (p.terminated === null || p.want.terminated === null || p.terminated === p.want.terminated) continue;
    out2.push({
      rule,
      key: "terminator",
      severity: p.isEnd ? "caution" : "clash",
      about: [id(p)],
      facts: { why: p.isEnd ? "open-end" : "middle", drive: it(p) },
      fixes: terminatorFix(id(p), p.drive.title, p.want.terminated)
    });
  }
  return out2;
};
var scsi = (chain3) => {
  const { drives: drives5, adapter, controller } = chain3;
  const out2 = [];
  const host = { item: controller.item, function: controller.fn.id };
  for (const [a, b] of pairs(drives5))
    if (a.unit !== null && a.unit === b.unit)
      out2.push({
        rule: "scsi.id",
        severity: "clash",
        about: [id(a), id(b)],
        facts: { why: "both", a: it(a), b: it(b), id: a.unit },
        fixes: jumperFix(b, freeId(chain3))
      });
  for (const p of drives5.filter((d) => d.unit === ADAPTER_ID))
    out2.push({
      rule: "scsi.id",
      severity: "clash",
      about: [id(p), host],
      facts: { why: "adapter", drive: it(p) },
      fixes: jumperFix(p, freeId(chain3))
    });
  const disks2 = drives5.filter((d) => ["hard", "flash"].includes(d.drive.part.drive.medium));
  if (disks2.length && disks2.every((d) => d.unit !== null && d.unit !== "0"))
    out2.push({
      rule: "scsi.id",
      severity: "note",
      about: disks2.map(id),
      facts: { why: "no-zero" },
      fixes: jumperFix(there(disks2[0]), "0")
    });
  const ends = [
    ...drives5.map((p) => ({
      about: id(p),
      device: it(p),
      name: p.drive.title,
      now: p.terminated,
      want: p.want.terminated,
      item: id(p)
    })),
    ...adapter ? [
      {
        about: host,
        device: controller.owner,
        name: controller.title,
        now: adapter.terminated,
        want: adapter.want,
        item: controller.item
      }
    ] : []
  ];
  for (const e of ends.filter((x) => x.now !== null && x.now !== x.want))
    out2.push({
      rule: "scsi.termination",
      severity: "clash",
      about: [e.about],
      facts: { why: e.want ? "open-end" : "middle", device: e.device },
      fixes: terminatorFix(e.item, e.name, e.want)
    });
  out2.push(...electrics(chain3));
  const unseen = ends.filter((e) => e.now === null);
  if (unseen.length)
    out2.push({
      rule: "scsi.termination",
      severity: "note",
      about: unseen.map((e) => e.about),
      facts: { why: "unseen", ends: unseen.map((e) => ({ device: e.device, fitted: e.want })) },
      fixes: []
    });
  return out2;
};
function electrics({ drives: drives5, controller, ribbon }) {
  const host = { item: controller.item, function: controller.fn.id };
  const devices = [
    ...drives5.map((p) => ({ about: id(p), device: it(p), facts: p.drive.part.drive.scsi ?? {} })),
    { about: host, device: controller.owner, facts: controller.fn.scsi ?? {} }
  ];
  const named3 = (list2) => list2.map((d) => d.device);
  const about2 = devices.map((d) => d.about);
  const out2 = [];
  const differential = devices.filter((d) => d.facts.signals === "differential");
  const single = devices.filter((d) => d.facts.signals === "single-ended");
  const unseen = devices.filter((d) => d.facts.signals === void 0);
  if (differential.length && (single.length || unseen.length))
    out2.push({
      rule: "scsi.signals",
      severity: single.length ? "stop" : "caution",
      about: about2,
      facts: {
        why: single.length ? "apart" : "unseen",
        differential: named3(differential),
        other: named3(single.length ? single : unseen)
      },
      fixes: []
    });
  const wide = devices.filter((d) => d.facts.width === 16);
  const narrow = devices.filter((d) => d.facts.width === 8);
  if (wide.length && narrow.length)
    out2.push({
      rule: "scsi.width",
      severity: "note",
      about: about2,
      facts: {
        wide: named3(wide),
        narrow: named3(narrow),
        adapterIsWide: controller.fn.scsi?.width === 16
      },
      fixes: []
    });
  const hasEnd = ribbon === "end-terminator" || drives5.some((p) => p.terminated);
  if (hasEnd && devices.every((d) => d.facts.termPower === false))
    out2.push({
      rule: "scsi.power",
      severity: "caution",
      about: about2,
      facts: { fitted: named3(devices) },
      fixes: []
    });
  return out2;
}
var freeId = ({ drives: drives5 }) => ["0", "1", "2", "3", "4", "5", "6"].find((n2) => drives5.every((d) => d.unit !== n2)) ?? "0";
var floppy = (chain3) => {
  const { drives: drives5, ribbon, controller } = chain3;
  const rule = "floppy.cable";
  if (ribbon === "disk-twist")
    return [
      {
        rule,
        severity: "clash",
        about: [controller.item, ...drives5.map(id)],
        facts: { why: "disk-cable", controller: controller.owner },
        fixes: cableFix(chain3, "floppy")
      }
    ];
  const straight = ribbon === "straight";
  const twice2 = pairs(drives5).filter(([a, b]) => a.answers !== null && a.answers === b.answers).map(([a, b]) => ({
    rule,
    severity: "clash",
    about: [id(a), id(b)],
    facts: { why: "both", a: it(a), b: it(b), as: a.answers, straight },
    fixes: []
  }));
  const alone = drives5.flatMap((p) => {
    if (p.answers === null)
      return [
        {
          rule,
          severity: "clash",
          about: [id(p)],
          facts: { why: "unselected", drive: it(p), unit: p.unit ?? "", wants: p.want.unit },
          fixes: p.unit !== null && p.unit !== p.want.unit ? jumperFix(p, p.want.unit) : []
        }
      ];
    return straight && drives5.length === 1 ? [
      {
        rule,
        severity: "caution",
        about: [id(p), controller.item],
        facts: { why: "no-a", drive: it(p) },
        fixes: cableFix(chain3, "floppy")
      }
    ] : [];
  });
  return [...twice2, ...alone];
};
var judges = { ata, st506, scsi, floppy };
var faultsOf = (chain3) => judges[chain3.family](chain3);

// src/lib/core/cabling/apply.ts
function withJumper(build, parts2, id2, told) {
  const { unit, terminated, plug } = told;
  const kit = kitOf(build, parts2);
  const cabled = cablesOf(kit).find((c) => c.drive.item.id === id2);
  const moved = plug === void 0 ? build : swapped(build, kit, id2, plug);
  const isFloppy = cabled !== void 0 && familyOf(cabled.drive.part.drive.interface) === "floppy";
  return withItem(moved, id2, (item) => {
    const out2 = { ...item };
    if (terminated === null) delete out2.terminated;
    else if (terminated !== void 0) out2.terminated = terminated;
    if (!cabled?.controller || unit === void 0 && plug === void 0) return out2;
    const { unit: oldUnit, select: oldSelect, ...rest } = item.cable ?? {};
    const keptUnit = isFloppy || unit === void 0 ? oldUnit : unit ?? void 0;
    const keptSelect = !isFloppy || unit === void 0 ? oldSelect : unit ?? void 0;
    out2.cable = {
      ...rest,
      to: cabled.controller.item,
      function: cabled.controller.fn.id,
      ...keptUnit === void 0 ? {} : { unit: keptUnit },
      ...keptSelect === void 0 ? {} : { select: keptSelect },
      ...plug === void 0 ? {} : { plug }
    };
    return out2;
  });
}
function swapped(build, kit, id2, plug) {
  const chain3 = chainsOf(kit).find((c) => c.drives.some((p) => p.drive.item.id === id2));
  const own = chain3?.drives.find((p) => p.drive.item.id === id2);
  const other = chain3?.drives.find((p) => p.plug === plug && p !== own && p.isOutside === own?.isOutside);
  if (!chain3 || !own || !other) return build;
  const { item: to, fn } = chain3.controller;
  return withItem(build, other.drive.item.id, (item) => ({
    ...item,
    cable: { ...item.cable, to, function: fn.id, plug: own.plug }
  }));
}
var withRibbon = (build, id2, fn, ribbon) => withItem(build, id2, ({ ribbons, ...item }) => {
  const { [fn]: _old, ...others } = ribbons ?? {};
  const next = ribbon === null ? others : { ...others, [fn]: ribbon };
  return { ...item, ...Object.keys(next).length ? { ribbons: next } : {} };
});
var withSetup = (build, fix) => withItem(build, fix.item, (item) => ({
  ...item,
  disk: { tries: [], ...item.disk, setup: fix.setup }
}));

// src/lib/core/solver/choose.ts
function choose(build, solution) {
  const taken = (item) => ({
    ...item,
    chosen: { ...item.chosen, ...solution.positions[item.id] }
  });
  return { ...build, board: taken(build.board), items: build.items.map(taken) };
}

// src/lib/core/solver/bits.ts
var emptyBits = (size2) => new Uint32Array(size2 + 31 >>> 5);
function bitsOf2(list2, size2) {
  const bits2 = emptyBits(size2);
  for (const i of list2) setBit(bits2, i);
  return bits2;
}
function setBit(bits2, i) {
  bits2[i >>> 5] |= 1 << (i & 31);
}
var hasBit = (bits2, i) => (bits2[i >>> 5] & 1 << (i & 31)) !== 0;
function dropBit(bits2, i) {
  bits2[i >>> 5] &= ~(1 << (i & 31));
}
function listOf(bits2) {
  const list2 = [];
  bits2.forEach((word, w) => {
    for (let open = word; open; open &= open - 1) list2.push(w * 32 + 31 - Math.clz32(open & -open));
  });
  return list2;
}
function orInto(target, other) {
  for (let w = 0; w < target.length; w++) target[w] |= other[w];
}
function keepEither(target, a, b) {
  for (let w = 0; w < target.length; w++) target[w] &= a[w] | b[w];
}
function dropAll(target, other) {
  for (let w = 0; w < target.length; w++) target[w] &= ~other[w];
}
function disjoint(a, b) {
  for (let w = 0; w < a.length; w++) if (a[w] & b[w]) return false;
  return true;
}
function isEmpty(bits2) {
  for (let w = 0; w < bits2.length; w++) if (bits2[w]) return false;
  return true;
}
function covers(big2, small) {
  for (let w = 0; w < small.length; w++) if (small[w] & ~big2[w]) return false;
  return true;
}
function union(a, b) {
  const out2 = a.slice();
  orInto(out2, b);
  return out2;
}

// src/lib/core/solver/problem.ts
var MOST_VALUES = 25e4;
var MOST_CLASSES = 1e4;
var TooLarge = class extends Error {
  name = "TooLarge";
};

// src/lib/core/solver/objective.ts
var LEVELS = ["off", "shares", "hardNeeds", "wishes", "moves", "distance"];
var zero = () => ({
  off: 0,
  shares: 0,
  hardNeeds: 0,
  wishes: 0,
  moves: 0,
  distance: 0
});
var add = (a, b) => {
  const sum3 = zero();
  for (const level of LEVELS) sum3[level] = a[level] + b[level];
  return sum3;
};
function compare(a, b) {
  for (const level of LEVELS) if (a[level] !== b[level]) return a[level] - b[level];
  return 0;
}
var Packing = class {
  unit;
  constructor(most) {
    const unit = zero();
    let size2 = 1;
    for (const level of [...LEVELS].reverse()) {
      unit[level] = size2;
      size2 *= most[level] + 1;
    }
    if (size2 > Number.MAX_SAFE_INTEGER) throw new TooLarge();
    this.unit = unit;
  }
  pack(objective) {
    return LEVELS.reduce((sum3, level) => sum3 + objective[level] * this.unit[level], 0);
  }
  of(level) {
    return this.unit[level];
  }
  unpack(packed) {
    const objective = zero();
    let rest = packed;
    for (const level of LEVELS) {
      objective[level] = Math.floor(rest / this.unit[level]);
      rest -= objective[level] * this.unit[level];
    }
    return objective;
  }
};
function moveCost(block, from, to) {
  if (!block) return 0;
  const { cost } = BLOCK_KINDS[block.kind];
  if (block.kind === "header") {
    const { lift, press } = capMoves(from, to);
    return cost * Math.max(1, Math.max(lift.length, press.length));
  }
  if (block.kind === "dip") return cost * Math.max(1, leverMoves(from, to).length);
  return cost;
}
var samePins = (a, b) => Math.min(...a) === Math.min(...b) && Math.max(...a) === Math.max(...b);
function capMoves(from, to) {
  const a = from && "caps" in from ? from.caps : [];
  const b = to && "caps" in to ? to.caps : [];
  return {
    lift: a.filter((x) => !b.some((y) => samePins(x, y))),
    press: b.filter((y) => !a.some((x) => samePins(x, y)))
  };
}
function leverMoves(from, to) {
  const a = from && "switches" in from ? from.switches : {};
  const b = to && "switches" in to ? to.switches : {};
  return Object.entries(b).filter(([lever, side]) => a[lever] !== side).map(([lever, side]) => ({ lever: Number(lever), to: side })).sort((x, y) => x.lever - y.lever);
}

// src/lib/core/solver/needs.ts
var resources = ["irq", "dma", "io", "memory"];
var mark = () => ({ fn: -1 });
function compileNeeds(m, target) {
  const needs = m.build.brief.profiles.flatMap((profile) => profile.needs);
  needs.forEach((need, n2) => {
    const met = [];
    for (const fitted of m.fitted)
      for (const fn of fitted.part.functions) {
        const name2 = `${n2}.${met.length}`;
        if (fn.kind === need.kind && markMisses(m, target, need, name2, fitted.item.id, fn))
          met.push(bare([target.classFor(`need ${name2} pick`, mark)]));
      }
    const unmet2 = bare([]);
    if (need.weight === "hard") unmet2.objective.hardNeeds = 1;
    else unmet2.objective.wishes = need.weight;
    target.variables.push({ settings: [], values: [...met, unmet2] });
  });
}
var bare = (classes) => ({
  positions: [],
  classes,
  violations: [],
  internal: [],
  objective: zero(),
  cost: 0
});
function markMisses(m, target, need, name2, item, fn) {
  const index = entryOf(target.functionIndex, keyOf(item, fn.id));
  const on = target.classFor(`on ${keyOf(item, fn.id)}`, mark);
  const conditions = [
    { hosted: (v) => v.classes.includes(on), holds: (v) => v.classes.includes(on) }
  ];
  for (const resource of resources) {
    const accepted = need[resource];
    if (!accepted) continue;
    const claim = firstClaim(fn, resource);
    const numbers2 = acceptedIn(m, resource, accepted);
    const lineIn = (value) => value.classes.map((c) => there(target.classes[c])).find((c) => c.fn === index && c.line?.index === claim)?.line;
    conditions.push({
      hosted: (value) => lineIn(value) !== void 0,
      holds: (value) => numbers2.includes(lineIn(value)?.value ?? -1)
    });
  }
  const hosts = conditions.flatMap(({ hosted }) => target.variables.find((v) => v.values.some(hosted)) ?? []);
  if (hosts.length < conditions.length) return false;
  conditions.forEach(({ holds }, i) => {
    const misses = there(hosts[i]).values.filter((value) => !holds(value));
    if (!misses.length) return;
    const miss = target.classFor(`need ${name2} miss`, mark);
    for (const value of misses) if (!value.classes.includes(miss)) value.classes.push(miss);
  });
  return true;
}

// src/lib/core/solver/relations.ts
function relations(m, classes, ids) {
  const forbids = classes.map(() => []);
  const tolerates = classes.map(() => []);
  const context = sharingContext(m);
  const byResource = /* @__PURE__ */ new Map();
  classes.forEach((c, i) => {
    if (c.line) byResource.set(c.line.resource, [...byResource.get(c.line.resource) ?? [], i]);
  });
  for (const group of byResource.values())
    for (let x = 0; x < group.length; x++)
      for (let y = x + 1; y < group.length; y++) {
        const [a, b] = [there(group[x]), there(group[y])];
        const [la, lb] = [there(classes[a]).line, there(classes[b]).line];
        if (la.item === lb.item && la.function === lb.function && la.index === lb.index) continue;
        const relation = relate(la, lb, context);
        if (relation?.verdict === "clash") {
          there(forbids[a]).push(b);
          there(forbids[b]).push(a);
        } else if (relation?.cost) {
          there(tolerates[a]).push(b);
          there(tolerates[b]).push(a);
        }
      }
  const link = (a, b) => {
    there(forbids[a]).push(b);
    there(forbids[b]).push(a);
  };
  const settings2 = /* @__PURE__ */ new Map();
  const marks = /* @__PURE__ */ new Map();
  for (const [key, id2] of ids) {
    const [kind2, name2 = "", word = ""] = key.split(" ");
    if (kind2 === "set") settings2.set(name2, [...settings2.get(name2) ?? [], id2]);
    if (kind2 === "need") marks.set(name2, { ...marks.get(name2), [word]: id2 });
  }
  for (const group of settings2.values())
    group.forEach((a, i) => group.slice(i + 1).forEach((b) => link(a, b)));
  for (const { pick: pick2, miss } of marks.values()) if (pick2 !== void 0 && miss !== void 0) link(pick2, miss);
  return { forbids, tolerates };
}
function settleInside(value, forbids, tolerates) {
  const cs = value.classes;
  for (let i = 0; i < cs.length; i++)
    for (let j = i + 1; j < cs.length; j++) {
      if (there(forbids[there(cs[i])]).includes(there(cs[j])))
        value.internal.push([there(cs[i]), there(cs[j])]);
      if (there(tolerates[there(cs[i])]).includes(there(cs[j]))) value.objective.shares += 1;
    }
}
function largest2(variables, classes, tolerates) {
  let most = zero();
  for (const { values } of variables) {
    const top = zero();
    for (const level of LEVELS) top[level] = Math.max(0, ...values.map((v) => v.objective[level]));
    most = add(most, top);
  }
  const claims = (list2) => new Set([...list2].map((c) => `${there(classes[c]).fn} ${there(classes[c]).line?.index}`)).size;
  const tolerant2 = classes.map((_, i) => i).filter((i) => there(tolerates[i]).length);
  most.shares += claims(tolerant2) * (claims(tolerant2) + 1) / 2;
  return most;
}

// src/lib/core/solver/scopes.ts
function isFixed(fitted, setting) {
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
  return !setting.known || block?.kind === "firmware" || fitted.item.locked.includes(setting.id);
}
function lineSettings(m) {
  const relevant = /* @__PURE__ */ new Set();
  for (const fitted of m.fitted) {
    const add2 = (setting) => relevant.add(keyOf(fitted.item.id, setting));
    for (const fn of fitted.part.functions) {
      offSettings(fitted, fn).forEach((k) => relevant.add(k));
      for (const claim of fn.claims)
        claimSettings(m, fitted, claim).forEach((s2) => relevant.add(keyOf(s2.item, s2.setting)));
    }
    fitted.part.constraints.forEach((c) => constraintSettings(c).forEach(add2));
  }
  return relevant;
}
function reachable({ part, seat }, setting) {
  const all = setting.positions.map((p) => p.id);
  const width = part.means?.find((m) => m.fact === "bus-width" && m.setting === setting.id);
  if (!width || seat !== "isa8") return all;
  const good = all.filter((p) => width.values[p] !== 16);
  return good.length ? good : all;
}
function collectChoices(m, options, now) {
  const relevant = lineSettings(m);
  const choices2 = /* @__PURE__ */ new Map();
  for (const fitted of m.fitted)
    for (const setting of fitted.part.settings) {
      const key = keyOf(fitted.item.id, setting.id);
      const position = now(fitted.item.id, setting.id);
      const forced = options.forced?.get(key);
      const all = reachable(fitted, setting);
      const only = position === void 0 ? [] : [position];
      const domain = forced !== void 0 ? [forced] : isFixed(fitted, setting) || !relevant.has(key) ? only : all;
      choices2.set(key, { item: fitted.item.id, setting, domain });
    }
  return choices2;
}
function constraintSettings(constraint) {
  if ("allow" in constraint) return constraint.allow.settings;
  return "forbid" in constraint ? Object.keys(constraint.forbid) : [];
}
var offSettings = (fitted, fn) => [
  ...new Set(fn.off.flatMap((match) => Object.keys(match).map((s2) => keyOf(fitted.item.id, s2))))
];
var free = (choices2, keys) => [
  ...new Set(
    keys.map((k) => typeof k === "string" ? k : keyOf(k.item, k.setting)).filter((k) => (choices2.get(k)?.domain.length ?? 0) > 1)
  )
];
function collectScopes(m, choices2) {
  const found = /* @__PURE__ */ new Map();
  const put = (keys) => found.set([...keys].sort().join(" "), keys);
  for (const fitted of m.fitted) {
    for (const fn of fitted.part.functions) {
      const off = free(choices2, offSettings(fitted, fn));
      put(off);
      for (const claim of fn.claims)
        put([.../* @__PURE__ */ new Set([...off, ...free(choices2, claimSettings(m, fitted, claim))])]);
    }
    for (const constraint of fitted.part.constraints)
      put(
        free(
          choices2,
          constraintSettings(constraint).map((s2) => keyOf(fitted.item.id, s2))
        )
      );
  }
  const bySize3 = [...found.values()].map((keys) => new Set(keys)).sort((a, b) => b.size - a.size);
  const maximal = [/* @__PURE__ */ new Set()];
  for (const scope of bySize3)
    if (scope.size && !maximal.some((big2) => [...scope].every((k) => big2.has(k)))) maximal.push(scope);
  return maximal;
}
function enumerate(m, scoped, keys, choices2, found, items) {
  const partial = /* @__PURE__ */ new Map();
  for (const item of items) {
    const chosen2 = {};
    for (const setting of m.get(item).part.settings) {
      const domain = entryOf(choices2, keyOf(item, setting.id)).domain;
      if (domain.length === 1) chosen2[setting.id] = there(domain[0]);
    }
    partial.set(item, chosen2);
  }
  const legal = (item) => !forbidden(m.get(item).part, entryOf(partial, item));
  if (![...items].every(legal)) return;
  const chosen = /* @__PURE__ */ new Map();
  const walk = (i) => {
    if (i === scoped.length) return found(chosen);
    const { item, setting, domain } = there(scoped[i]);
    for (const position of domain) {
      chosen.set(there(keys[i]), position);
      entryOf(partial, item)[setting.id] = position;
      if (legal(item)) walk(i + 1);
      delete entryOf(partial, item)[setting.id];
    }
  };
  walk(0);
}

// src/lib/core/solver/compile.ts
function compile(m, options) {
  const now = standing(m);
  const choices2 = collectChoices(m, options, now);
  const scopes = collectScopes(m, choices2);
  const { functions: functions2, functionIndex } = functionsOf(m, now);
  const classes = [];
  const classIds = /* @__PURE__ */ new Map();
  const classFor = (key, make) => {
    let id2 = classIds.get(key);
    if (id2 === void 0) {
      id2 = classes.length;
      if (id2 >= MOST_CLASSES) throw new TooLarge();
      classIds.set(key, id2);
      classes.push(make());
    }
    return id2;
  };
  const hosts = hostsOf(m, scopes, choices2, functionIndex);
  const shared = new Set(
    [...choices2.keys()].filter((key) => hosts.filter((h) => h.scope.has(key)).length > 1)
  );
  const needy = m.build.brief.profiles.some((profile) => profile.needs.length > 0);
  let valueCount = 0;
  const costs = /* @__PURE__ */ new Map();
  const costOf2 = (choice, position) => {
    const key = `${choice.item}/${choice.setting.id} ${position}`;
    let cost = costs.get(key);
    if (!cost) costs.set(key, cost = settingCost(m, choice, position));
    return cost;
  };
  const variables = hosts.map(({ scope, fns, settings: settings2 }) => {
    const keys = [...scope];
    const scoped = keys.map((key) => entryOf(choices2, key));
    const items = new Set(scoped.map((c) => c.item));
    const bound = /* @__PURE__ */ new Set([...fns.map((h) => h.fitted.item.id), ...items]);
    const values = [];
    const consider = (chosen, broken) => {
      const at2 = (item, setting) => {
        const key = keyOf(item, setting);
        return chosen.get(key) ?? choices2.get(key)?.domain[0] ?? now(item, setting);
      };
      if (++valueCount > MOST_VALUES) throw new TooLarge();
      values.push(
        valueOf(m, fns, settings2, keys, at2, {
          broken,
          bound,
          shared,
          functions: functions2,
          classes,
          needy,
          costOf: costOf2,
          functionIndex,
          options,
          classFor
        })
      );
    };
    enumerate(m, scoped, keys, choices2, (chosen) => consider(chosen, false), bound);
    if (values.length === 0)
      consider(new Map(keys.map((k, i) => [k, there(there(scoped[i]).domain[0])])), true);
    return { settings: scoped.map((c) => ({ item: c.item, setting: c.setting.id })), values };
  });
  compileNeeds(m, { variables, classes, classFor, functionIndex });
  const { forbids, tolerates } = relations(m, classes, classIds);
  for (const variable of variables)
    for (const value of variable.values) settleInside(value, forbids, tolerates);
  const packing = new Packing(largest2(variables, classes, tolerates));
  for (const variable of variables)
    for (const value of variable.values) value.cost = packing.pack(value.objective);
  const { fixed, base } = fixedOf(choices2, new Set(hosts.flatMap((h) => [...h.scope])), costOf2);
  const forbidBits = forbids.map((list2) => bitsOf2(list2, classes.length));
  return { functions: functions2, variables, classes, forbids, forbidBits, tolerates, packing, fixed, base };
}
function functionsOf(m, now) {
  const functions2 = [];
  const functionIndex = /* @__PURE__ */ new Map();
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      functionIndex.set(keyOf(fitted.item.id, fn.id), functions2.length);
      functions2.push({ item: fitted.item.id, id: fn.id, need: needOf(m, fitted, fn, now) });
    }
  return { functions: functions2, functionIndex };
}
function hostsOf(m, scopes, choices2, functionIndex) {
  const hosts = scopes.map((scope) => ({ scope, fns: [], settings: [] }));
  const hostOf = (keys) => sure(
    hosts.find((h) => keys.every((k) => h.scope.has(k))),
    "settings scope"
  );
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      const index = entryOf(functionIndex, keyOf(fitted.item.id, fn.id));
      const off = free(choices2, offSettings(fitted, fn));
      hostOf(off).fns.push({ fitted, fn, index, claim: null });
      fn.claims.forEach(
        (of2, claim) => hostOf([...off, ...free(choices2, claimSettings(m, fitted, of2))]).fns.push({
          fitted,
          fn,
          index,
          claim
        })
      );
    }
  for (const [key, choice] of choices2)
    if (choice.domain.length > 1) hosts.find((h) => h.scope.has(key))?.settings.push(choice);
  return hosts;
}
function fixedOf(choices2, inVariables, costOf2) {
  const fixed = /* @__PURE__ */ new Map();
  let base = zero();
  for (const [key, choice] of choices2) {
    const position = choice.domain[0];
    if (inVariables.has(key) || position === void 0) continue;
    fixed.set(key, position);
    base = add(base, costOf2(choice, position));
  }
  return { fixed, base };
}
function needOf(m, fitted, fn, now) {
  const named3 = (list2) => list2.some((r) => r.item === fitted.item.id && r.function === fn.id);
  if (named3(m.build.brief.mustBeOn)) return "must";
  if (named3(m.build.brief.mayBeOff)) return "free";
  return isOn(fitted, fn, now) ? "want" : "free";
}
var standsAt = (at2, item, setting) => sure(at2(item, setting), "setting position");
function settingCost(m, choice, position) {
  const cost = zero();
  const fitted = m.get(choice.item);
  const { setting } = choice;
  const found = foundPosition(fitted.item, setting);
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
  const state = (id2) => setting.positions.find((p) => p.id === id2)?.state;
  if (found !== position && block) cost.moves = moveCost(block, state(found), state(position));
  else if (found !== position) cost.moves = BLOCK_KINDS.software.cost;
  const chosenAtStart = block?.kind === "startup" || block?.kind === "pnp";
  if (setting.default !== void 0 && setting.default !== position && !chosenAtStart) cost.distance = 1;
  return cost;
}
function lineClass(m, fitted, fn, index, claim, value) {
  const line2 = lineOf(m, fitted, fn, claim, value);
  return {
    fn: index,
    line: line2,
    dead: unreachable(m, fitted, line2) !== null,
    away: !isHome(fn, line2.resource, line2.value) && !isHome(fn, line2.resource, line2.printed)
  };
}
function valueOf(m, fns, settings2, keys, at2, context) {
  const { broken, bound, functions: functions2, classes, options, classFor } = context;
  const objective = settings2.map((choice) => context.costOf(choice, standsAt(at2, choice.item, choice.setting.id))).reduce(add, zero());
  const taken = [];
  const violations = /* @__PURE__ */ new Set();
  if (broken) {
    for (const item of bound)
      if (forbidden(m.get(item).part, positionsOf(m.get(item).item, m.get(item).part.settings, at2)))
        for (const fn of m.get(item).part.functions)
          violations.add(entryOf(context.functionIndex, keyOf(item, fn.id)));
  }
  for (const { fitted, fn, index, claim } of fns) {
    const on = isOn(fitted, fn, at2);
    if (claim === null) {
      const need = there(functions2[index]).need;
      if (on && fitted.misfit) violations.add(index);
      if (!on && (need === "must" || need === "want" && !options.allowOff)) violations.add(index);
      if (!on && need === "want") objective.off += 1;
      if (on && context.needy) taken.push(classFor(`on ${keyOf(fitted.item.id, fn.id)}`, () => ({ fn: -1 })));
      continue;
    }
    const value = on ? claimValue(m, fitted, there(fn.claims[claim]), at2) : null;
    if (value === null) {
      const input = there(fn.claims[claim]);
      if (!on || input.resource !== "irq" || !input.pin || !lacksInterrupt(m, fitted, fn, at2)) continue;
      const need = there(functions2[index]).need;
      if (need === "must" || need === "want" && !options.allowOff) violations.add(index);
      if (need === "want") objective.off += 1;
      continue;
    }
    const id2 = classFor(`${index} ${claim} ${value}`, () => lineClass(m, fitted, fn, index, claim, value));
    if (there(classes[id2]).dead) violations.add(index);
    if (there(classes[id2]).away) objective.distance += 1;
    taken.push(id2);
  }
  keys.forEach((key) => {
    if (context.shared.has(key)) {
      const [item = "", setting = ""] = key.split("/");
      taken.push(classFor(`set ${key} ${at2(item, setting)}`, () => ({ fn: -1 })));
    }
  });
  return {
    positions: keys.map((key) => standsAt(at2, ...key.split("/"))),
    classes: taken,
    violations: [...violations],
    internal: [],
    objective,
    cost: 0
  };
}
function positionsOf(item, settings2, at2) {
  return Object.fromEntries(
    settings2.flatMap((s2) => {
      const position = at2(item.id, s2.id) ?? positionOf(item, s2);
      return position === void 0 ? [] : [[s2.id, position]];
    })
  );
}

// src/lib/core/solver/minimal-set.ts
var FIXED = -1;
var ABSENT = -2;
function minimalSet(compiled, members, known3) {
  const { all, ofClass, ofFault, ask } = members;
  const of2 = compiled.variables.map(
    ({ values }) => new Set(values.flatMap((v) => [...v.classes.map(ofClass), ...v.violations.map(ofFault)]))
  );
  const narrowed3 = (kept2, { among }) => {
    const named3 = new Set([...among].flatMap((v) => [...there(of2[v])]));
    const next = kept2.filter((i) => named3.has(i));
    if (next.length === kept2.length) return kept2;
    const verdict = ask(next);
    return verdict.possible === false ? narrowed3(next, verdict) : kept2;
  };
  const whole2 = ask(all);
  if (whole2.possible || whole2.possible === null && !known3) return [];
  let kept = whole2.possible === false ? narrowed3(all, whole2) : all;
  const needed2 = /* @__PURE__ */ new Set();
  for (const one of [...kept].reverse()) {
    if (needed2.has(one) || !kept.includes(one)) continue;
    const rest = kept.filter((i) => i !== one);
    const verdict = ask(rest);
    if (verdict.possible === false) kept = narrowed3(rest, verdict);
    else if (verdict.possible) findNeeded(compiled, members, of2, new Set(kept), one, verdict.chosen, needed2);
  }
  return [...kept];
}
function findNeeded({ variables, forbids }, { ofClass, ofFault }, of2, kept, first, chosen, needed2) {
  const part = (member) => member >= 0 && !kept.has(member) ? ABSENT : member;
  const clashes2 = (at2) => {
    const pairs3 = [];
    const values = variables.map(({ values: values2 }, v) => sure(values2[there(at2[v])], "a chosen value"));
    const takers = /* @__PURE__ */ new Map();
    values.forEach((value, v) => {
      for (const c of value.classes) if (part(ofClass(c)) !== ABSENT) takers.set(c, takers.has(c) ? -1 : v);
      for (const fn of value.violations) pairs3.push([part(ofFault(fn)), FIXED]);
      for (const [a, b] of value.internal) pairs3.push([part(ofClass(a)), part(ofClass(b))]);
    });
    for (const [c, v] of takers)
      for (const d of there(forbids[c])) {
        const other = takers.get(d);
        if (other !== void 0 && (other !== v || v < 0)) pairs3.push([part(ofClass(c)), part(ofClass(d))]);
      }
    return pairs3.filter(([a, b]) => a !== ABSENT && b !== ABSENT);
  };
  const ownOf = (member) => [...of2.keys()].filter((v) => there(of2[v]).has(member));
  const open = [{ member: first, at: chosen }];
  needed2.add(first);
  for (let next = open.pop(); next; next = open.pop()) {
    for (const changed of variations(next.at, ownOf(next.member), variables)) {
      const pairs3 = clashes2(changed);
      const blamed = (pairs3[0] ?? []).filter((m) => m >= 0 && pairs3.every((pair2) => pair2.includes(m)));
      for (const member of blamed) {
        if (needed2.has(member)) continue;
        needed2.add(member);
        open.push({ member, at: changed });
      }
    }
  }
}
var MOST_WAYS = 64;
function variations(at2, own, variables) {
  const each = (ways3, v) => there(variables[v]).values.flatMap(
    (_, source) => ways3.map((way) => way.map((was, i) => i === v ? source : was))
  );
  const ways2 = own.reduce((n2, v) => n2 * there(variables[v]).values.length, 1);
  return ways2 > MOST_WAYS ? own.flatMap((v) => each([at2], v)) : own.reduce(each, [at2]);
}

// src/lib/core/solver/bins.ts
var COUNTED = ["irq", "dma", "io", "memory"];
var known2 = /* @__PURE__ */ new WeakMap();
function binsOf(compiled) {
  let bins = known2.get(compiled);
  if (!bins) known2.set(compiled, bins = gather(compiled));
  return bins;
}
function gather({ variables, classes, forbidBits }) {
  const owner = new Int32Array(classes.length).fill(-1);
  variables.forEach(({ values }, v) => {
    for (const value of values)
      for (const c of value.classes) owner[c] = owner[c] === -1 || owner[c] === v ? v : -2;
  });
  const mates = variables.map(() => emptyBits(classes.length));
  owner.forEach((v, c) => v >= 0 && setBit(there(mates[v]), c));
  const of2 = [];
  const count2 = [];
  for (const resource of COUNTED) {
    const list2 = classes.flatMap(
      ({ line: line2 }, id2) => line2?.resource === resource && there(owner[id2]) >= 0 ? [{ id: id2, from: line2.value, to: line2.value + line2.length }] : []
    ).sort((a, b) => a.from - b.from || a.id - b.id);
    let bins = [];
    for (const at2 of new Set(list2.map((c) => c.from))) {
      const here = list2.filter((c) => c.from <= at2 && at2 < c.to);
      const ids = [];
      const bits2 = emptyBits(classes.length);
      const common3 = emptyBits(classes.length).fill(-1);
      for (const { id: id2 } of [...here, ...list2]) {
        if (!hasBit(common3, id2)) continue;
        ids.push(id2);
        setBit(bits2, id2);
        keepEither(common3, there(forbidBits[id2]), there(mates[there(owner[id2])]));
        dropBit(common3, id2);
      }
      if (bins.some((other) => covers(other.bits, bits2))) continue;
      bins = [...bins.filter((other) => !covers(bits2, other.bits)), { ids, bits: bits2 }];
    }
    const own = classes.map(() => []);
    bins.forEach(({ ids }, n2) => {
      for (const c of ids) there(own[c]).push(n2);
    });
    of2.push(own);
    count2.push(bins.length);
  }
  return { of: of2, count: count2 };
}
function wantOf(bins, count2, node) {
  const bits2 = emptyBits(Math.max(1, count2));
  let n2 = 0;
  for (const c of node.classes) {
    if (!hasBit(node.takes, c)) continue;
    for (const b of there(bins[c])) {
      if (hasBit(bits2, b)) continue;
      setBit(bits2, b);
      n2++;
    }
  }
  return { bits: bits2, count: n2 };
}
var Room = class {
  /**
   * @param nodes of all domains, one domain behind the other
   * @param from first node of each domain, and behind the last one the number of nodes
   */
  constructor({ of: of2, count: count2 }, nodes, from) {
    this.from = from;
    this.wants = of2.flatMap((bin, r) => {
      if (!count2[r]) return [];
      const wants = nodes.map((node) => wantOf(bin, there(count2[r]), node));
      const domains = [];
      for (let d = 0; d + 1 < from.length; d++)
        if (wants.slice(from[d], from[d + 1]).some((w) => w.count)) domains.push(d);
      return domains.length > 1 ? [{ count: count2[r], of: wants, domains }] : [];
    });
    this.holder = new Int32Array(Math.max(1, ...count2));
    this.seatOf = new Int32Array(Math.max(1, ...count2));
  }
  from;
  /** For each resource that several domains cannot do without: what each node takes of it. */
  wants;
  holder;
  /** The bin of each seat. */
  seatOf;
  /**
   * Strikes the nodes beside which some domain would be left without bins of its own; what is left over after a full
   * matching decides. Null: the domains cannot all have theirs. Otherwise whether anything was struck.
   */
  strike(left3) {
    let struck = false;
    for (const resource of this.wants) {
      const done = this.strikeIn(resource, left3);
      if (done === null) return null;
      struck ||= done;
    }
    return struck;
  }
  strikeIn({ count: count2, of: of2, domains }, left3) {
    const { from } = this;
    const seats3 = [];
    const asks2 = [];
    const all = emptyBits(count2);
    for (const d of domains) {
      const bits2 = emptyBits(count2);
      let least2 = Infinity;
      for (let i = there(from[d]); i < there(from[d + 1]); i++) {
        if (!hasBit(left3, i)) continue;
        if (there(of2[i]).count < least2) least2 = there(of2[i]).count;
        orInto(bits2, there(of2[i]).bits);
      }
      if (least2 === Infinity) continue;
      orInto(all, bits2);
      asks2.push({ d, first: seats3.length, least: least2 });
      for (let k = 0; k < least2; k++) seats3.push(bits2);
    }
    const spare = sizeOf2(all) - seats3.length;
    if (spare < 0) return null;
    let struck = false;
    for (const { d, least: least2 } of asks2)
      for (let i = there(from[d]); i < there(from[d + 1]); i++)
        if (hasBit(left3, i) && there(of2[i]).count - least2 > spare) {
          dropBit(left3, i);
          struck = true;
        }
    if (seats3.length < 2) return struck;
    if (!this.matches(seats3, count2)) return null;
    const { ends, reach: reach3 } = this.reachOf(seats3, count2);
    for (const { d, first, least: least2 } of asks2) {
      if (!least2) continue;
      for (let i = there(from[d]); i < there(from[d + 1]); i++) {
        if (!hasBit(left3, i) || this.canAll(there(of2[i]).bits, ends, reach3, first, first + least2)) continue;
        dropBit(left3, i);
        struck = true;
      }
    }
    return struck;
  }
  /** Whether seats of one domain can have each of these bins: one free in the end, or a way back to one of their own. */
  canAll(bits2, ends, reach3, first, behind) {
    for (let w = 0; w < bits2.length; w++)
      for (let open = there(bits2[w]) & ~there(ends[w]); open; open &= open - 1) {
        const b = w * 32 + 31 - Math.clz32(open & -open);
        let can = false;
        for (let k = first; k < behind && !can; k++) {
          const mine = there(this.seatOf[k]);
          can = mine === b || hasBit(there(reach3[b]), mine);
        }
        if (!can) return false;
      }
    return true;
  }
  /** Bins that are free or can be freed, and, from each other bin, where its holder and those after it could move to. */
  reachOf(seats3, count2) {
    const { holder, seatOf: seatOf2 } = this;
    const ends = emptyBits(count2);
    for (let b = 0; b < count2; b++)
      if (there(holder[b]) < 0) setBit(ends, b);
      else seatOf2[there(holder[b])] = b;
    for (let more = true; more; ) {
      more = false;
      for (let b = 0; b < count2; b++) {
        if (hasBit(ends, b) || disjoint(there(seats3[there(holder[b])]), ends)) continue;
        setBit(ends, b);
        more = true;
      }
    }
    const reach3 = [];
    const held = [];
    for (let b = 0; b < count2; b++) {
      const isHeld = !hasBit(ends, b);
      reach3.push(isHeld ? there(seats3[there(holder[b])]).slice() : ends);
      if (isHeld) held.push(b);
    }
    for (const k of held)
      for (const b of held) if (hasBit(there(reach3[b]), k)) orInto(there(reach3[b]), there(reach3[k]));
    return { ends, reach: reach3 };
  }
  matches(seats3, count2) {
    if (seats3.length > count2) return false;
    this.holder.fill(-1, 0, count2);
    for (let s2 = 0; s2 < seats3.length; s2++) if (!this.seat(seats3, s2, emptyBits(count2))) return false;
    return true;
  }
  /** Seats one, moving others where it must; a bin that is free is taken first. */
  seat(seats3, s2, tried) {
    const { holder } = this;
    const bits2 = there(seats3[s2]);
    for (let w = 0; w < bits2.length; w++)
      for (let open = there(bits2[w]) & ~there(tried[w]); open; open &= open - 1) {
        const b = w * 32 + 31 - Math.clz32(open & -open);
        if (there(holder[b]) >= 0) continue;
        holder[b] = s2;
        return true;
      }
    for (let w = 0; w < bits2.length; w++)
      for (let open = there(bits2[w]) & ~there(tried[w]); open; open = open & open - 1 & ~there(tried[w])) {
        const low = open & -open;
        const b = w * 32 + 31 - Math.clz32(low);
        tried[w] = there(tried[w]) | low;
        if (!this.seat(seats3, there(holder[b]), tried)) continue;
        holder[b] = s2;
        return true;
      }
    return false;
  }
};
function sizeOf2(bits2) {
  let n2 = 0;
  for (const word of bits2) for (let open = word; open; open &= open - 1) n2++;
  return n2;
}

// src/lib/core/solver/reduce.ts
function reduce(compiled, options = {}) {
  const domains = buildDomains(compiled, options);
  const none = domains.find((d) => d.nodes.length === 0);
  if (none) return { emptied: none };
  let changed = [...domains.keys()];
  while (changed.length) {
    const emptied = arcConsistent(domains, changed);
    if (emptied) return { emptied };
    dropIrrelevant(domains, compiled.classes.length);
    changed = dominated(domains);
  }
  return { components: split(domains) };
}
function buildDomains(compiled, { active, muted, feasibility }) {
  const isActive = (fn) => fn < 0 || !active || active[fn];
  const size2 = compiled.classes.length;
  const takesPart = compiled.classes.map(
    ({ fn, line: line2 }) => isActive(fn) && !(line2 && muted?.has(`${fn} ${line2.index}`))
  );
  const nodesOf = ({ values }) => {
    const seen3 = /* @__PURE__ */ new Set();
    return values.flatMap((value, source) => {
      if (value.violations.some(isActive)) return [];
      if (value.internal.some(([a, b]) => takesPart[a] && takesPart[b])) return [];
      const classes = value.classes.filter((c) => takesPart[c]);
      if (feasibility) {
        const name2 = classes.join();
        if (seen3.has(name2)) return [];
        seen3.add(name2);
      }
      const takes = emptyBits(size2);
      const rules3 = emptyBits(size2);
      const tolerated = [];
      for (const c of classes) {
        setBit(takes, c);
        orInto(rules3, there(compiled.forbidBits[c]));
        if (!feasibility) tolerated.push(...there(compiled.tolerates[c]));
      }
      return [{ source, takes, rules: rules3, tolerated, classes, cost: feasibility ? 0 : value.cost }];
    });
  };
  const by = () => emptyBits(compiled.variables.length);
  return (feasibility ? byName(compiled) : [...compiled.variables.keys()]).map((variable) => ({
    variable,
    by: by(),
    nodes: nodesOf(there(compiled.variables[variable]))
  }));
}
var orders = /* @__PURE__ */ new WeakMap();
function byName(compiled) {
  const known3 = orders.get(compiled);
  if (known3) return known3;
  const names2 = compiled.variables.map(
    ({ settings: settings2 }) => settings2.map((s2) => keyOf(s2.item, s2.setting)).sort().join(" ")
  );
  const order3 = [...names2.keys()].sort(
    (a, b) => there(names2[a]) < there(names2[b]) ? -1 : Number(there(names2[a]) > there(names2[b]))
  );
  orders.set(compiled, order3);
  return order3;
}
var compatible = (a, b) => disjoint(a.rules, b.takes);
function hasPartner(a, others) {
  for (const b of others) if (compatible(a, b)) return true;
  return false;
}
function reachOf2({ nodes }) {
  const takes = there(nodes[0]).takes.slice();
  const rules3 = there(nodes[0]).rules.slice();
  for (const node of nodes) {
    orInto(takes, node.takes);
    orInto(rules3, node.rules);
  }
  return { takes, rules: rules3 };
}
function arcConsistent(domains, changed) {
  const reach3 = domains.map(reachOf2);
  const open = [...domains.keys()].filter((i) => !isEmpty(there(reach3[i]).takes));
  const queue = new Set(changed);
  for (const j of queue) {
    queue.delete(j);
    if (isEmpty(there(reach3[j]).rules)) continue;
    const against = there(domains[j]).nodes;
    for (const i of open) {
      if (i === j || disjoint(there(reach3[i]).takes, there(reach3[j]).rules)) continue;
      const { nodes } = there(domains[i]);
      const kept = nodes.filter((a) => disjoint(a.rules, there(reach3[j]).takes) || hasPartner(a, against));
      if (kept.length === nodes.length) continue;
      there(domains[i]).nodes = kept;
      orInto(there(domains[i]).by, there(domains[j]).by);
      setBit(there(domains[i]).by, there(domains[j]).variable);
      if (there(domains[i]).nodes.length === 0) return there(domains[i]);
      queue.add(i);
    }
  }
  return null;
}
function dropIrrelevant(domains, size2) {
  const reach3 = domains.map(reachOf2);
  const after = [];
  let sum3 = { takes: emptyBits(size2), rules: emptyBits(size2) };
  for (let i = domains.length - 1; i >= 0; i--) {
    after[i] = sum3;
    sum3 = { takes: union(sum3.takes, there(reach3[i]).takes), rules: union(sum3.rules, there(reach3[i]).rules) };
  }
  const before = { takes: emptyBits(size2), rules: emptyBits(size2) };
  domains.forEach(({ nodes }, i) => {
    const { takes, rules: rules3 } = there(after[i]);
    for (const node of nodes)
      for (let w = 0; w < node.rules.length; w++) {
        node.rules[w] = there(node.rules[w]) & (there(takes[w]) | there(before.takes[w]));
        node.takes[w] = there(node.takes[w]) & (there(rules3[w]) | there(before.rules[w]));
      }
    orInto(before.takes, there(reach3[i]).takes);
    orInto(before.rules, there(reach3[i]).rules);
  });
  if (domains.some(({ nodes }) => nodes.some((n2) => n2.tolerated.length))) dropTolerance(domains, size2);
}
function dropTolerance(domains, size2) {
  const owners = domains.map(({ nodes }) => new Set(nodes.flatMap((n2) => n2.classes)));
  const takenBy = new Int32Array(size2);
  for (const own of owners) for (const c of own) takenBy[c] = there(takenBy[c]) + 1;
  domains.forEach(({ nodes }, i) => {
    for (const node of nodes)
      node.tolerated = node.tolerated.filter((c) => there(takenBy[c]) > (there(owners[i]).has(c) ? 1 : 0));
  });
}
function dominated(domains) {
  const changed = [];
  for (const [i, domain] of domains.entries()) {
    const { nodes } = domain;
    const kept = nodes.filter(
      (b, j) => !nodes.some((a, i2) => i2 !== j && beats(a, b) && (i2 < j || !beats(b, a)))
    );
    if (kept.length === nodes.length) continue;
    domain.nodes = kept;
    changed.push(i);
  }
  return changed;
}
var beats = (a, b) => a.cost <= b.cost && a.tolerated.length === 0 && covers(b.rules, a.rules);
function split(domains) {
  const reach3 = domains.map(reachOf2);
  const tolerant2 = domains.map(({ nodes }) => nodes.some((n2) => n2.tolerated.length > 0));
  const near = (i, j) => tolerant2[i] && tolerant2[j] || !disjoint(there(reach3[i]).rules, there(reach3[j]).takes);
  const component = domains.map((_, i) => i);
  const root = (i) => component[i] === i ? i : component[i] = root(there(component[i]));
  for (let i = 0; i < domains.length; i++)
    for (let j = i + 1; j < domains.length; j++)
      if (root(i) !== root(j) && near(i, j) && linked(there(domains[i]), there(domains[j])))
        component[root(j)] = root(i);
  const groups = /* @__PURE__ */ new Map();
  domains.forEach((domain, i) => groups.set(root(i), [...groups.get(root(i)) ?? [], domain]));
  return [...groups.values()];
}
function linked(a, b) {
  return a.nodes.some(
    (x) => b.nodes.some((y) => !compatible(x, y) || x.tolerated.some((c) => y.classes.includes(c)))
  );
}

// src/lib/core/solver/dive.ts
function boardOf(component, bins) {
  const nodes = component.flatMap((d) => d.nodes);
  const from = new Int32Array(component.length + 1);
  component.forEach((d, i) => from[i + 1] = there(from[i]) + d.nodes.length);
  const against = nodes.map(() => emptyBits(nodes.length));
  const takes = component.map((d) => reachOf2(d).takes);
  component.forEach((_, d) => {
    for (let i = there(from[d]); i < there(from[d + 1]); i++) {
      for (let j = there(from[d]); j < there(from[d + 1]); j++) if (j !== i) setBit(there(against[i]), j);
      for (let e = d + 1; e < component.length; e++) {
        if (disjoint(there(nodes[i]).rules, there(takes[e]))) continue;
        for (let j = there(from[e]); j < there(from[e + 1]); j++)
          if (!compatible(there(nodes[i]), there(nodes[j]))) {
            setBit(there(against[i]), j);
            setBit(there(against[j]), i);
          }
      }
    }
  });
  return { from, against, room: new Room(bins, nodes, from) };
}
var nameOf2 = (bits2) => {
  let name2 = "";
  for (const word of bits2) name2 += String.fromCharCode(word >>> 16, word & 65535);
  return name2;
};
function leftOf(left3, from, to) {
  let count2 = 0;
  let first = -1;
  for (let i = from; i < to; i++)
    if (hasBit(left3, i)) {
      if (!count2) first = i;
      count2++;
    }
  return { count: count2, first };
}
function findAnswer(component, bins, budget) {
  const { from, against, room: room3 } = boardOf(component, bins);
  const size2 = component.length;
  const total = there(from[size2]);
  const failed = /* @__PURE__ */ new Set();
  const weight = new Float64Array(size2).fill(1);
  const settled = (left3) => {
    for (; ; ) {
      let next = -1;
      let fewest = Infinity;
      let forced = false;
      for (let d = 0; d < size2; d++) {
        const { count: count2, first } = leftOf(left3, there(from[d]), there(from[d + 1]));
        if (count2 === 0) {
          weight[d] = there(weight[d]) + 1;
          return "dead";
        }
        if (count2 > 1) {
          const rank = count2 / there(weight[d]);
          if (rank < fewest) {
            fewest = rank;
            next = d;
          }
          continue;
        }
        if (disjoint(left3, there(against[first]))) continue;
        dropAll(left3, there(against[first]));
        forced = true;
      }
      if (!forced) return next < 0 ? "done" : { next };
    }
  };
  const walk = (left3) => {
    let state = settled(left3);
    if (state === "done") return left3;
    if (state === "dead") return null;
    const name2 = nameOf2(left3);
    if (failed.has(name2)) return null;
    budget.spend();
    const fail = () => {
      failed.add(name2);
      return null;
    };
    for (; ; ) {
      const struck = room3.strike(left3);
      if (struck === null) return fail();
      if (!struck) break;
      state = settled(left3);
      if (state === "done") return left3;
      if (state === "dead") return fail();
    }
    for (let i = there(from[state.next]); i < there(from[state.next + 1]); i++) {
      if (!hasBit(left3, i)) continue;
      const rest = left3.slice();
      dropAll(rest, there(against[i]));
      const found = walk(rest);
      if (found) return found;
    }
    return fail();
  };
  const all = emptyBits(total);
  for (let i = 0; i < total; i++) setBit(all, i);
  const answer = walk(all);
  return answer && component.map(({ nodes }, d) => nodes.find((_, i) => hasBit(answer, there(from[d]) + i)));
}

// src/lib/core/solver/assignment.ts
function leastAssignment(cost, rows2, columns) {
  const u = new Float64Array(rows2 + 1);
  const v = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const way = new Int32Array(columns + 1);
  for (let row2 = 1; row2 <= rows2; row2++) {
    rowOf[0] = row2;
    let at2 = 0;
    const least2 = new Float64Array(columns + 1).fill(Infinity);
    const used = new Uint8Array(columns + 1);
    do {
      used[at2] = 1;
      const from = there(rowOf[at2]);
      let delta = Infinity;
      let next = -1;
      for (let c = 1; c <= columns; c++) {
        if (used[c]) continue;
        const reduced = there(cost[(from - 1) * columns + c - 1]) - there(u[from]) - there(v[c]);
        if (reduced < there(least2[c])) {
          least2[c] = reduced;
          way[c] = at2;
        }
        if (there(least2[c]) < delta) {
          delta = there(least2[c]);
          next = c;
        }
      }
      if (next < 0) return Infinity;
      for (let c = 0; c <= columns; c++)
        if (used[c]) {
          u[there(rowOf[c])] = there(u[there(rowOf[c])]) + delta;
          v[c] = there(v[c]) - delta;
        } else least2[c] = there(least2[c]) - delta;
      at2 = next;
    } while (rowOf[at2] !== 0);
    for (; at2; at2 = there(way[at2])) rowOf[at2] = there(rowOf[there(way[at2])]);
  }
  let sum3 = 0;
  for (let c = 1; c <= columns; c++)
    if (rowOf[c]) sum3 += there(cost[(there(rowOf[c]) - 1) * columns + c - 1]);
  return sum3;
}

// src/lib/core/solver/search.ts
var TABLE_LIMIT = 4e5;
var BranchAndBound = class {
  constructor(domains, size2, shareCost, tolerantWith, budget, extraBound) {
    this.domains = domains;
    this.shareCost = shareCost;
    this.tolerantWith = tolerantWith;
    this.budget = budget;
    this.extraBound = extraBound;
    this.scratch = emptyBits(size2);
    this.sharing = tolerantWith.some((list2) => list2.length > 0);
    this.tables = domains.map(() => /* @__PURE__ */ new Map());
    this.future = domains.map(() => emptyBits(size2));
    this.futureTolerant = domains.map(() => []);
    const ahead = emptyBits(size2);
    const tolerant2 = /* @__PURE__ */ new Set();
    for (let i = domains.length - 1; i >= 0; i--) {
      for (const node of there(domains[i]).nodes) {
        orInto(ahead, node.takes);
        for (const c of node.classes) if (there(tolerantWith[c]).length) tolerant2.add(c);
      }
      this.future[i] = ahead.slice();
      this.futureTolerant[i] = [...tolerant2].sort((a, b) => a - b);
    }
  }
  domains;
  shareCost;
  tolerantWith;
  budget;
  extraBound;
  tables;
  entries = 0;
  sharing;
  scratch;
  future;
  futureTolerant;
  key(depth2, { ruled, tolerated }) {
    const future = there(this.future[depth2]);
    let key = "";
    for (let w = 0; w < future.length; w++)
      if (future[w])
        key += String.fromCharCode((ruled[w] & future[w]) >>> 16, ruled[w] & future[w] & 65535);
    for (const c of there(this.futureTolerant[depth2])) if (tolerated[c]) key += `,${c}:${tolerated[c]}`;
    return key;
  }
  /** What a node adds in this state. */
  step(node, state) {
    if (!this.sharing) return node.cost;
    let shares2 = 0;
    for (const c of node.classes) shares2 += there(state.tolerated[c]);
    return node.cost + shares2 * this.shareCost;
  }
  after(node, state) {
    if (node.tolerated.length === 0)
      return { ruled: union(state.ruled, node.rules), tolerated: state.tolerated };
    const tolerated = state.tolerated.slice();
    for (const c of node.classes)
      for (const d of there(this.tolerantWith[c])) tolerated[d] = there(tolerated[d]) + 1;
    return { ruled: union(state.ruled, node.rules), tolerated };
  }
  /**
   * The least cost from `depth` on. Below `limit` the answer is exact; from `limit` on it is a
   * lower bound. Infinity: there is no completion.
   */
  best(depth2, state, limit) {
    if (depth2 === this.domains.length) return 0;
    const table = there(this.tables[depth2]);
    const key = this.key(depth2, state);
    const known3 = table.get(key);
    if (known3 && (known3.exact || known3.bound >= limit)) return known3.bound;
    this.budget.spend();
    const ahead = this.lookAhead(depth2, state);
    if (ahead.exact || ahead.bound >= limit) return this.keep(table, key, ahead.bound, ahead.exact);
    let bound = ahead.bound;
    if (this.extraBound) {
      bound = Math.max(bound, this.extraBound(depth2, state, limit));
      if (bound === Infinity) return this.keep(table, key, Infinity, true);
      if (bound >= limit) return this.keep(table, key, bound, false);
    }
    let found = Infinity;
    const room3 = () => Math.min(limit, found);
    const passed = branch(this.branches(depth2, state, limit), room3, ({ node, cost }) => {
      found = Math.min(found, cost + this.best(depth2 + 1, this.after(node, state), room3() - cost));
      return found === bound;
    });
    const least2 = Math.min(found, passed);
    return least2 === Infinity ? this.keep(table, key, Infinity, true) : this.keep(table, key, least2, least2 < limit);
  }
  keep(table, key, bound, exact) {
    if (++this.entries > TABLE_LIMIT) {
      this.tables.forEach((t) => t.clear());
      this.entries = 0;
    }
    table.set(key, { bound, exact });
    return bound;
  }
  /** The options with what each can hope for, the most hopeful first. */
  branches(depth2, state, limit) {
    const options = this.options(depth2, state);
    if (!this.extraBound) return options.map((o) => ({ ...o, hope: o.cost, behind: o.cost }));
    return options.map((o) => {
      const hope = o.cost + this.hopeAfter(depth2 + 1, this.after(o.node, state), limit - o.cost);
      return { ...o, hope, behind: hope };
    }).sort((a, b) => a.hope - b.hope || a.cost - b.cost || a.node.source - b.node.source);
  }
  hopeAfter(depth2, state, limit) {
    return depth2 === this.domains.length ? 0 : this.extraBound(depth2, state, limit, true);
  }
  /** Nodes that are still possible, cheapest first; equal ones in the order of the part. */
  options(depth2, state) {
    return there(this.domains[depth2]).nodes.filter((node) => disjoint(node.takes, state.ruled)).map((node) => ({ node, cost: this.step(node, state) })).sort((a, b) => a.cost - b.cost || a.node.source - b.node.source);
  }
  /** Cheapest node of each domain ahead: a bound, and exact when those nodes go together. */
  lookAhead(depth2, state) {
    let bound = 0;
    let together3 = true;
    const { scratch } = this;
    scratch.set(state.ruled);
    for (let i = depth2; i < this.domains.length; i++) {
      let cheapest2 = Infinity;
      let fits = null;
      for (const node of there(this.domains[i]).nodes) {
        if (node.cost > cheapest2 || node.cost === cheapest2 && (fits || !together3)) break;
        if (!disjoint(node.takes, state.ruled)) continue;
        const cost = this.step(node, state);
        if (cost > cheapest2) continue;
        if (cost < cheapest2) fits = null;
        cheapest2 = cost;
        if (together3 && !fits && node.tolerated.length === 0 && disjoint(node.takes, scratch)) fits = node;
      }
      if (cheapest2 === Infinity) return { bound: Infinity, exact: true };
      bound += cheapest2;
      if (together3 && fits) orInto(scratch, fits.rules);
      else together3 = false;
    }
    return { bound, exact: together3 };
  }
  /** Follows the table from the top to an answer of that cost. */
  trace(state, total) {
    const chosen = [];
    let rest = total;
    for (let depth2 = 0; depth2 < this.domains.length; depth2++) {
      let taken = null;
      for (const { node, cost } of this.options(depth2, state)) {
        if (cost > rest) break;
        const next = this.after(node, state);
        if (cost + this.best(depth2 + 1, next, rest - cost + 1) === rest) {
          taken = node;
          rest -= cost;
          state = next;
          break;
        }
      }
      if (!taken) throw new Error("answer lost");
      chosen.push(taken);
    }
    return chosen;
  }
  /** The first answer that a plain dive with backtracking meets within so many steps. */
  dive(state, steps) {
    let left3 = steps;
    const walk = (depth2, at2) => {
      if (depth2 === this.domains.length) return { nodes: [], cost: 0 };
      for (const { node, cost } of this.options(depth2, at2)) {
        if (left3-- <= 0) return null;
        const rest = walk(depth2 + 1, this.after(node, at2));
        if (rest) return { nodes: [node, ...rest.nodes], cost: cost + rest.cost };
      }
      return null;
    };
    return walk(0, state);
  }
  plainBound(depth2, state) {
    return this.lookAhead(depth2, state).bound;
  }
};

// src/lib/core/solver/component.ts
var start = (size2) => ({ ruled: emptyBits(size2), tolerated: new Int16Array(size2) });
function kindOf(compiled, domain) {
  const resources3 = /* @__PURE__ */ new Set();
  for (const node of domain.nodes)
    for (const c of node.classes) {
      const line2 = there(compiled.classes[c]).line;
      if (!line2) continue;
      if (hasBit(node.takes, c)) resources3.add(line2.resource);
    }
  return ["irq", "dma", "memory", "io"].find((r) => resources3.has(r)) ?? "choice";
}
var CLUSTER = { few: 7, lines: 12 };
function clusters(group) {
  const size2 = group.length <= CLUSTER.lines ? CLUSTER.lines : CLUSTER.few;
  if (group.length <= size2) return [[...group]];
  const index = new Map(group.map((d, i) => [d, i]));
  const strain = group.map((a) => group.map((b) => a === b ? 0 : strainOf(a, b)));
  const total = (d, others) => [...others].reduce((sum3, e) => sum3 + there(there(strain[entryOf(index, d)])[entryOf(index, e)]), 0);
  const left3 = new Set(group);
  const out2 = [];
  while (left3.size) {
    const cluster = [];
    while (cluster.length < size2 && left3.size) {
      const near = cluster.length ? cluster : [...left3];
      const next = [...left3].reduce((a, b) => total(b, near) > total(a, near) ? b : a);
      cluster.push(next);
      left3.delete(next);
    }
    out2.push(cluster);
  }
  return out2;
}
function strainOf(a, b) {
  const least2 = (d) => Math.min(...d.nodes.map((n2) => n2.cost));
  let together3 = Infinity;
  let tied = 0;
  for (const x of a.nodes)
    for (const y of b.nodes)
      if (compatible(x, y)) together3 = Math.min(together3, x.cost + y.cost);
      else tied++;
  return (together3 === Infinity ? 1e12 : together3 - least2(a) - least2(b)) + tied * 1e-3;
}
function ordered(domains) {
  const left3 = [...domains];
  const ties = new Map(left3.map((d) => [d, new Set(left3.filter((e) => e !== d && linked(d, e)))]));
  const out2 = [];
  while (left3.length) {
    const score = (d) => out2.filter((e) => entryOf(ties, d).has(e)).length;
    left3.sort(
      (a, b) => score(b) - score(a) || a.nodes.length - b.nodes.length || entryOf(ties, b).size - entryOf(ties, a).size || a.variable - b.variable
    );
    out2.push(...left3.splice(0, 1));
  }
  return out2;
}
function solveComponent(compiled, component, budget) {
  if (component.length === 1 && there(component[0]).nodes.every((n2) => n2.tolerated.length === 0))
    return cheapest(there(component[0]));
  const shareCost = compiled.packing.of("shares");
  const kinds3 = component.map((domain) => kindOf(compiled, domain));
  const { domains, size: size2, tolerantWith } = compact(compiled, component);
  const groups = /* @__PURE__ */ new Map();
  domains.forEach(
    (domain, i) => groups.set(there(kinds3[i]), [...groups.get(there(kinds3[i])) ?? [], domain])
  );
  const parted = ["choice", "irq", "dma", "memory", "io"].flatMap(
    (kind2) => groups.has(kind2) ? clusters(entryOf(groups, kind2)).map((c) => ({ kind: kind2, domains: ordered(c) })) : []
  );
  const order3 = parted.map((p) => p.domains);
  const make = (domains2, spend, bound2) => new BranchAndBound(domains2, size2, shareCost, tolerantWith, spend, bound2);
  const flat2 = order3.flat();
  const torn = COUNTED.filter((kind2) => parted.filter((p) => p.kind === kind2).length > 1);
  const rows2 = torn.map((kind2) => rowsOf(compiled, component, flat2, entryOf(groups, kind2), kind2));
  const bound = order3.length > 1 ? groupBound(
    order3,
    make,
    budget,
    parted.map((p) => torn.indexOf(p.kind)),
    rows2
  ) : void 0;
  const search2 = make(flat2, budget, bound);
  const state = start(size2);
  let lower = search2.plainBound(0, state);
  const inOrder3 = (nodes) => domains.map((d) => there(nodes[flat2.indexOf(d)]));
  const first = firstAnswer(compiled, component, search2, state, domains);
  return attempt(
    () => {
      if (bound) lower = Math.max(lower, bound(0, state, Infinity));
      const cost = search2.best(0, state, first ? first.cost + 1 : Infinity);
      const nodes = cost === Infinity ? null : inOrder3(search2.trace(state, cost));
      return { nodes, cost, bound: cost, optimal: true };
    },
    () => {
      const dive = search2.dive(state, 2e4);
      if (first && (!dive || first.cost <= dive.cost))
        return { nodes: first.nodes, cost: first.cost, bound: lower, optimal: first.cost === lower };
      return {
        nodes: dive && inOrder3(dive.nodes),
        cost: dive?.cost ?? Infinity,
        bound: lower,
        optimal: dive !== null && dive.cost === lower
      };
    }
  );
}
var FIRST_NODES = 4e3;
function firstAnswer(compiled, component, search2, start3, domains) {
  const cheapFirst = component.map(({ variable, by, nodes: nodes2 }) => ({
    variable,
    by,
    nodes: [...nodes2].sort((a, b) => a.cost - b.cost || a.source - b.source)
  }));
  const found = attempt(
    () => findAnswer(cheapFirst, binsOf(compiled), new Budget2(FIRST_NODES)),
    () => null
  );
  if (!found) return null;
  const nodes = domains.map((d, i) => nodeOf(d, there(found[i]).source));
  let state = start3;
  let cost = 0;
  for (const domain of search2.domains) {
    const node = there(nodes[domains.indexOf(domain)]);
    cost += search2.step(node, state);
    state = search2.after(node, state);
  }
  return { nodes, cost };
}
function cheapest({ nodes }) {
  const best = nodes.reduce((a, b) => b.cost < a.cost ? b : a);
  return { nodes: [best], cost: best.cost, bound: best.cost, optimal: true };
}
function compact(compiled, component) {
  const names2 = /* @__PURE__ */ new Map();
  const tolerant2 = new Set(component.flatMap((d) => d.nodes.flatMap((n2) => n2.tolerated)));
  for (const { nodes } of component)
    for (const node of nodes)
      for (const c of node.classes)
        if (!names2.has(c) && (hasBit(node.takes, c) || tolerant2.has(c))) names2.set(c, names2.size);
  const size2 = names2.size;
  const domains = component.map(({ variable, by, nodes }) => ({
    variable,
    by,
    nodes: nodes.map((node) => {
      const takes = emptyBits(size2);
      const rules3 = emptyBits(size2);
      for (const [c, id2] of names2) {
        if (hasBit(node.takes, c)) setBit(takes, id2);
        if (hasBit(node.rules, c)) setBit(rules3, id2);
      }
      const rename = (list2) => list2.flatMap((c) => names2.get(c) ?? []);
      return {
        ...node,
        takes,
        rules: rules3,
        classes: rename(node.classes).filter((c, i, all) => all.indexOf(c) === i),
        tolerated: rename(node.tolerated)
      };
    }).sort((a, b) => a.cost - b.cost || a.source - b.source)
  }));
  const tolerantWith = Array.from({ length: size2 }, () => []);
  for (const [c, id2] of names2)
    if (tolerant2.has(c)) tolerantWith[id2] = there(compiled.tolerates[c]).flatMap((d) => names2.get(d) ?? []);
  return { domains, size: size2, tolerantWith };
}
var GROUP_NODES = 4e5;
var nodeOf = (domain, source) => sure(
  domain.nodes.find((n2) => n2.source === source),
  "domain value"
);
var domainOf = (domains, variable) => sure(
  domains.find((d) => d.variable === variable),
  "variable domain"
);
function rowsOf(compiled, component, flat2, group, kind2) {
  const bins = there(binsOf(compiled).of[COUNTED.indexOf(kind2)]);
  return group.map((domain) => {
    const { nodes } = domainOf(component, domain.variable);
    const taken = new Map(
      nodes.map((n2) => [
        n2.source,
        [
          ...new Set(
            n2.classes.flatMap((c) => there(n2.takes[c >>> 5]) & 1 << (c & 31) ? there(bins[c]) : [])
          )
        ]
      ])
    );
    return {
      depth: flat2.indexOf(domain),
      nodes: domain.nodes.map((node) => ({ node, bins: entryOf(taken, node.source) }))
    };
  });
}
function assigned(rows2, depth2, state, step) {
  const open = rows2.filter((r) => r.depth >= depth2);
  const columnOf = /* @__PURE__ */ new Map();
  for (const { nodes } of open)
    for (const { bins } of nodes) for (const b of bins) if (!columnOf.has(b)) columnOf.set(b, columnOf.size);
  const columns = columnOf.size + open.length;
  const cost = new Float64Array(open.length * columns).fill(Infinity);
  open.forEach(({ nodes }, r) => {
    const least2 = (c, value) => {
      const at2 = r * columns + c;
      if (value < there(cost[at2])) cost[at2] = value;
    };
    for (const { node, bins } of nodes) {
      if (!disjoint(node.takes, state.ruled)) continue;
      const value = step(node, state);
      for (const b of bins) least2(entryOf(columnOf, b), value);
      if (!bins.length) least2(columnOf.size + r, value);
    }
  });
  return leastAssignment(cost, open.length, columns);
}
function groupBound(order3, make, budget, tornOf, rows2) {
  let starts2 = 0;
  const groups = order3.map((domains, i) => {
    const start3 = starts2;
    starts2 += domains.length;
    const spend = new Budget2(GROUP_NODES, () => {
      budget.spend();
      return false;
    });
    return { search: make(domains, spend), start: start3, length: domains.length, torn: there(tornOf[i]) };
  });
  let tries = 0;
  let gains = 0;
  return (depth2, state, limit, isRough) => {
    const open = groups.flatMap(({ search: search2, start: start3, length, torn }) => {
      const local = Math.max(0, depth2 - start3);
      return local < length ? [{ search: search2, local, torn, plain: search2.plainBound(local, state) }] : [];
    });
    let sum3 = open.reduce((total, g) => total + g.plain, 0);
    const inAll = rows2.map(() => 0);
    for (const { search: search2, local, torn, plain: plain3 } of open) {
      if (sum3 >= limit) return sum3;
      const own = boundOf(search2, local, state, limit - sum3 + plain3, plain3, budget);
      sum3 += own - plain3;
      if (torn >= 0) inAll[torn] = there(inAll[torn]) + own;
    }
    if (isRough) return sum3;
    const step = (node, s2) => there(groups[0]).search.step(node, s2);
    for (let i = 0; i < rows2.length && sum3 < limit && (tries < 60 || gains * 6 > tries); i++) {
      const more = assigned(there(rows2[i]), depth2, state, step) - there(inAll[i]);
      tries++;
      if (more <= 0) continue;
      gains++;
      sum3 += more;
    }
    return sum3;
  };
}
function boundOf(search2, depth2, state, limit, plain3, budget) {
  try {
    return search2.best(depth2, state, limit);
  } catch (error) {
    if (!isStopped(error)) throw error;
    budget.spend();
    return plain3;
  }
}

// src/lib/core/solver/solve.ts
function solve(compiled, limits2) {
  const budget = new Budget2(limits2.maxNodes, limits2.shouldStop);
  const reduced = reduce(compiled);
  if ("emptied" in reduced) return { kind: "impossible", nodes: budget.nodes };
  const positions = new Map(compiled.fixed);
  let cost = 0;
  let bound = 0;
  let optimal = true;
  let missing2 = false;
  const note = (variable, source) => {
    const { settings: settings2, values } = there(compiled.variables[variable]);
    settings2.forEach(
      (s2, i) => positions.set(keyOf(s2.item, s2.setting), there(there(values[source]).positions[i]))
    );
  };
  const against = attempt(
    () => unanswerable(reduced, binsOf(compiled), budget),
    () => null
  );
  if (against) return { kind: "impossible", nodes: budget.nodes };
  for (const component of [...reduced.components].sort((a, b) => a.length - b.length)) {
    const found = solveComponent(compiled, component, budget);
    if (!found.nodes && found.optimal) return { kind: "impossible", nodes: budget.nodes };
    bound += found.bound;
    optimal &&= found.optimal;
    const { nodes } = found;
    if (!nodes) missing2 = true;
    else {
      cost += found.cost;
      component.forEach((domain, i) => note(domain.variable, there(nodes[i]).source));
    }
  }
  const whole2 = (packed) => add(compiled.base, compiled.packing.unpack(packed));
  if (missing2) return { kind: "stopped", bound: whole2(bound), nodes: budget.nodes };
  return {
    kind: "solved",
    optimal,
    answer: { positions, objective: whole2(cost) },
    bound: whole2(bound),
    nodes: budget.nodes
  };
}
var QUESTION_NODES = 1500;
var ofQuestion = (limits2) => ({
  ...limits2,
  maxNodes: Math.min(limits2.maxNodes, QUESTION_NODES)
});
function judge(compiled, limits2, only = {}) {
  const reduced = reduce(compiled, { ...only, feasibility: true });
  const budget = new Budget2(limits2.maxNodes, limits2.shouldStop);
  const chosen = [];
  const verdict = (possible, domains = []) => ({
    possible,
    among: involved(domains),
    chosen,
    nodes: budget.nodes
  });
  if ("emptied" in reduced) return verdict(false, [reduced.emptied]);
  const note = ({ variable }, { source }) => chosen[variable] = source;
  const against = attempt(
    () => unanswerable(reduced, binsOf(compiled), budget, note),
    () => null
  );
  if (against === null) return verdict(null);
  return against ? verdict(false, against) : verdict(true);
}
var feasible = (compiled, limits2) => judge(compiled, limits2).possible;
function unanswerable({ components }, bins, budget, note = () => {
}) {
  return [...components].sort((a, b) => a.length - b.length).find((component) => {
    const answer = findAnswer(component, bins, budget);
    answer?.forEach((node, i) => note(there(component[i]), node));
    return !answer;
  });
}
function involved(domains) {
  const all = /* @__PURE__ */ new Set();
  for (const { variable, by } of domains) {
    all.add(variable);
    for (const v of listOf(by)) all.add(v);
  }
  return all;
}

// src/lib/core/solver/core.ts
var CORE_NODES = 9e3;
var LEAST_NODES = 60;
function asked(compiled, limits2, known3, without) {
  let minimal = true;
  let left3 = CORE_NODES;
  const ask = (active, muted) => {
    const question = ofQuestion(limits2);
    const maxNodes = Math.min(question.maxNodes, Math.max(LEAST_NODES, left3));
    const verdict = judge(compiled, { ...question, maxNodes }, { active, muted });
    left3 -= verdict.nodes;
    if (verdict.possible === null) minimal = false;
    return verdict;
  };
  const system2 = [...compiled.functions.keys()].filter(
    (i) => there(compiled.functions[i]).item === SYSTEM_ITEM
  );
  const marks = (kept) => {
    const all = /* @__PURE__ */ new Set([...kept, ...system2]);
    return compiled.functions.map((_, i) => all.has(i));
  };
  const late2 = (i) => there(compiled.functions[i]).item === PNP_ITEM ? 1 : 0;
  const name2 = (i) => `${there(compiled.functions[i]).item}/${there(compiled.functions[i]).id}`;
  const order3 = [...compiled.functions.keys()].filter((i) => !system2.includes(i) && !without?.has(there(compiled.functions[i]).item)).sort((a, b) => late2(a) - late2(b) || (name2(a) < name2(b) ? -1 : 1));
  const isSystem = new Set(system2);
  const isMember = new Set(order3);
  const ofFault = (fn) => fn < 0 || isSystem.has(fn) ? FIXED : isMember.has(fn) ? fn : ABSENT;
  const members = {
    all: order3,
    ofClass: (id2) => ofFault(there(compiled.classes[id2]).fn),
    ofFault,
    ask: (kept) => ask(marks(kept))
  };
  const functions2 = minimalSet(compiled, members, known3);
  return { ask, marks, functions: functions2.sort((a, b) => a - b), minimal: () => minimal };
}
var coreFunctions = (compiled, limits2, without) => asked(compiled, limits2, false, without).functions;
function findCore(compiled, limits2) {
  const { ask, marks, functions: functions2, minimal } = asked(compiled, limits2, true);
  const active = marks(functions2);
  const names2 = /* @__PURE__ */ new Map();
  for (const { fn, line: line2 } of compiled.classes)
    if (line2 && active[fn]) names2.set(`${fn} ${line2.index}`, { fn, claim: line2.index });
  const own = new Set(functions2);
  const keys = [...names2.keys()].sort(
    (a, b) => Number(!own.has(entryOf(names2, a).fn)) - Number(!own.has(entryOf(names2, b).fn))
  );
  const without = (kept) => {
    const all = new Set(kept);
    return new Set(keys.filter((_, i) => !all.has(i)));
  };
  const places = new Map(keys.map((key, i) => [key, i]));
  const ofFault = (fn) => fn < 0 || active[fn] ? FIXED : ABSENT;
  const members = {
    all: [...keys.keys()],
    ofClass: (id2) => {
      const { fn, line: line2 } = there(compiled.classes[id2]);
      return (line2 && places.get(`${fn} ${line2.index}`)) ?? ofFault(fn);
    },
    ofFault,
    ask: (kept) => ask(active, without(kept))
  };
  const claims = minimalSet(compiled, members, true);
  return {
    functions: functions2,
    claims: claims.sort((a, b) => a - b).map((i) => entryOf(names2, keys[i])),
    minimal: minimal()
  };
}

// src/lib/core/solver/conflicts.ts
var Conflicts = class {
  constructor(parts2, options) {
    this.parts = parts2;
    this.options = options;
  }
  parts;
  options;
  found = [];
  last = null;
  /** Remembers a conflict of a machine. */
  keep(build, core) {
    const items = [...new Set(core.map((f) => f.item))];
    if (core.length && items.every((id2) => build.items.some((item) => item.id === id2)))
      this.found.push({ core, state: new Map(items.map((id2) => [id2, stateOf(build, id2)])) });
  }
  /** A conflict that this machine is known to have. */
  known(build) {
    return this.found.find(({ state }) => [...state].every(([id2, was]) => stateOf(build, id2) === was))?.core;
  }
  /** A conflict of a machine that has no answer; empty when none is found. */
  of(build) {
    const known3 = this.known(build);
    if (known3) return known3;
    const compiled = this.compiled(build);
    const core = coreFunctions(compiled, this.options.limits).map((i) => there(compiled.functions[i]));
    this.keep(build, core);
    return core;
  }
  /** Conflicts of a machine of which no two have an item in common, the known one first. @returns how many, up to `most` */
  apart(build, first, most) {
    const compiled = this.compiled(build);
    const taken = /* @__PURE__ */ new Set();
    let core = first;
    let count2 = 0;
    for (; core.length && count2 < most; count2++) {
      this.keep(build, core);
      for (const { item } of core) taken.add(item);
      core = coreFunctions(compiled, this.options.limits, taken).map((i) => there(compiled.functions[i]));
    }
    return count2;
  }
  /** Whether there is an answer at all, which is far cheaper to know than which is best. Null: undecided. */
  answer(build) {
    return feasible(this.compiled(build), ofQuestion(this.options.limits));
  }
  /** A machine is mostly asked what is in its way just after it was asked whether it has an answer. */
  compiled(build) {
    if (this.last?.build !== build)
      this.last = {
        build,
        compiled: compile(machine(build, this.parts), { allowOff: this.options.allowOff })
      };
    return this.last.compiled;
  }
};
function stateOf(build, id2) {
  const { mustBeOn, mayBeOff } = build.brief;
  const named3 = [mustBeOn, mayBeOff].map((list2) => list2.filter((ref) => ref.item === id2));
  return JSON.stringify([build.items.find((item) => item.id === id2), named3]);
}

// src/lib/core/solver/fix.ts
var FIX_COST = {
  set: 1,
  "never-together": 1,
  "switch-off": 1,
  "move-slot": 2,
  unlock: 3,
  exchange: 4,
  "take-out": 8,
  acknowledge: 1,
  jumper: 1,
  ribbon: 1,
  declare: 1
};
var fixCost = (fixes) => fixes.reduce((sum3, f) => sum3 + FIX_COST[f.action], 0);
function applyFix(build, fix, parts2) {
  switch (fix.action) {
    case "set":
      return withItem(build, fix.item, (item) => ({
        ...item,
        chosen: { ...item.chosen, [fix.setting]: fix.position }
      }));
    case "unlock":
      return withItem(build, fix.item, (item) => ({
        ...item,
        locked: item.locked.filter((s2) => s2 !== fix.setting)
      }));
    case "move-slot":
      return moveSlot(build, fix);
    case "switch-off":
      return switchOff(build, fix, parts2);
    case "exchange":
      return exchange(build, fix, parts2);
    case "take-out": {
      const out2 = build.items.find((item) => item.id === fix.item);
      return withoutRefs(
        {
          ...build,
          items: build.items.filter((item) => item.id !== fix.item),
          shelf: out2 ? [...build.shelf, shelved(out2)] : build.shelf
        },
        fix.item
      );
    }
    case "acknowledge":
      return { ...build, acknowledged: [.../* @__PURE__ */ new Set([...build.acknowledged, fix.finding])] };
    case "jumper":
      return withJumper(build, parts2, fix.item, fix);
    case "ribbon":
      return withRibbon(build, fix.item, fix.function, fix.ribbon);
    case "declare":
      return withSetup(build, fix);
    case "never-together":
      return { ...build, neverTogether: [...build.neverTogether, [fix.a, fix.b]] };
  }
}
function moveSlot(build, fix) {
  const from = build.items.find((item) => item.id === fix.item)?.slot;
  const moved = seatItem(build, fix.item, fix.slot);
  return fix.swapWith === void 0 ? moved : seatItem(moved, fix.swapWith, from);
}
function switchOff(build, fix, parts2) {
  const ref = { item: fix.item, function: fix.function };
  const same = (r) => r.item === fix.item && r.function === fix.function;
  const item = [build.board, ...build.items].find((i) => i.id === fix.item);
  const known3 = item && parts2.get(item.part)?.functions.some((fn) => fn.id === fix.function);
  if (!known3) return build;
  return {
    ...build,
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.filter((r) => !same(r)),
      mayBeOff: build.brief.mayBeOff.some(same) ? build.brief.mayBeOff : [...build.brief.mayBeOff, ref]
    }
  };
}
function shelved(item) {
  const { slot: slot2, slotAsFound, ...rest } = item;
  void slot2;
  void slotAsFound;
  return rest;
}
function exchange(build, fix, parts2) {
  const out2 = build.items.find((item) => item.id === fix.item);
  const into = build.shelf.find((item) => item.id === fix.with);
  if (!out2 || !into) return build;
  const heir = (ref) => {
    if (ref.item !== out2.id) return [ref];
    const kind2 = parts2.get(out2.part)?.functions.find((fn2) => fn2.id === ref.function)?.kind;
    const fn = parts2.get(into.part)?.functions.find((f) => f.kind === kind2);
    return fn ? [{ item: into.id, function: fn.id }] : [];
  };
  const seated2 = out2.slot === void 0 ? into : { ...into, slot: out2.slot };
  return {
    ...build,
    items: build.items.map((item) => item === out2 ? seated2 : item),
    shelf: [...build.shelf.filter((item) => item !== into), shelved(out2)],
    resident: build.resident.flatMap(heir),
    neverTogether: build.neverTogether.flatMap(([a, b]) => {
      const [x, y] = [heir(a), heir(b)];
      return x.length && y.length ? [[there(x[0]), there(y[0])]] : [];
    }),
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.flatMap(heir),
      mayBeOff: build.brief.mayBeOff.flatMap(heir)
    }
  };
}
function withoutRefs(build, item) {
  const other = (r) => r.item !== item;
  return {
    ...build,
    resident: build.resident.filter(other),
    neverTogether: build.neverTogether.filter((pair2) => pair2.every(other)),
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.filter(other),
      mayBeOff: build.brief.mayBeOff.filter(other)
    }
  };
}

// src/lib/core/solver/relax.ts
function candidates(m, coreFunctions3, parts2) {
  const { build } = m;
  const fixes = [];
  const items = [...new Set(coreFunctions3.map((f) => f.item))];
  for (const { item, id: id2 } of coreFunctions3) {
    const fitted = m.find(item);
    const fn = fitted?.part.functions.find((f) => f.id === id2);
    if (fitted && fn && fn.off.length > 0 && canBeOff(fitted, fn))
      fixes.push({ action: "switch-off", item, function: id2 });
  }
  for (const id2 of items) {
    const fitted = m.find(id2);
    if (!fitted || id2 === "system" || id2 === "pnp") continue;
    fixes.push(...slotMoves(m, fitted));
    for (const setting of fitted.item.locked) fixes.push({ action: "unlock", item: id2, setting });
    if (!fitted.part.card) continue;
    for (const spare of build.shelf)
      if (replaces(fitted, parts2.get(spare.part), m))
        fixes.push({ action: "exchange", item: id2, with: spare.id });
    fixes.push({ action: "take-out", item: id2 });
  }
  return fixes;
}
function canBeOff(fitted, fn) {
  return fn.off.some(
    (match) => Object.entries(match).every(
      ([setting, positions]) => !fitted.item.locked.includes(setting) || positions.includes(fitted.item.chosen[setting] ?? fitted.item.asFound[setting] ?? "")
    )
  );
}
function slotMoves(m, fitted) {
  const slots3 = m.board.part.board.slots;
  const { slot: now } = fitted;
  if (!now) return [];
  const here = seatOf(fitted.part, now).seat;
  const { id: id2 } = fitted.item;
  const helps = (slot2) => fitted.misfit !== null || here === "pci" || here === "isa8" && seatOf(fitted.part, slot2).seat === "isa16" && fitted.part.card?.bus !== "isa8";
  const better = slots3.filter(
    (slot2) => slot2.id !== now.id && obstacle(fitted.part, slot2) === null && helps(slot2)
  );
  const seated2 = m.fitted.flatMap(({ part, slot: slot2, item }) => slot2 ? [{ part, slot: slot2, item: item.id }] : []);
  const free2 = better.filter((slot2) => !isTaken(seated2, { part: fitted.part, slot: slot2 }, id2));
  const moves = (here === "pci" ? free2 : free2.slice(0, 1)).map((slot2) => ({
    action: "move-slot",
    item: id2,
    slot: slot2.id
  }));
  const swaps = better.flatMap((slot2) => {
    const other = m.fitted.find((f) => f.slot?.id === slot2.id);
    return other && obstacle(other.part, now) === null ? [{ action: "move-slot", item: id2, slot: slot2.id, swapWith: other.item.id }] : [];
  });
  return [...moves, ...swaps];
}
function replaces(fitted, spare, m) {
  if (!spare?.card || !fitted.slot || obstacle(spare, fitted.slot)) return false;
  const at2 = standing(m);
  const wanted2 = new Set(fitted.part.functions.filter((fn) => isOn(fitted, fn, at2)).map((fn) => fn.kind));
  return [...wanted2].every((kind2) => spare.functions.some((fn) => fn.kind === kind2));
}
var WIDTH = 12;
var DEPTH = 3;
function findRelaxations(build, parts2, firstCore, options) {
  const found = [];
  const seen3 = /* @__PURE__ */ new Set();
  const grow = ({ fixes, build: base }, core) => candidates(machine(base, parts2), core, parts2).flatMap((fix) => {
    const next = [...fixes, fix];
    const name2 = next.map(nameOf3).sort().join(" ");
    if (seen3.has(name2)) return [];
    seen3.add(name2);
    return [{ fixes: next, build: applyFix(base, fix, parts2) }];
  });
  const byCost = (a, b) => fixCost(a.fixes) - fixCost(b.fixes);
  const conflicts = new Conflicts(parts2, options);
  const apart = conflicts.apart(build, firstCore, MOST_CONFLICTS);
  if (apart > 2 * DEPTH) return oneByOne(build, parts2, conflicts);
  let attempts = grow({ fixes: [], build }, firstCore).sort(byCost);
  for (let depth2 = 1; attempts.length > 0; depth2++) {
    const failed = [];
    for (const attempt2 of attempts) {
      if (found.length >= options.most) break;
      if (found.some((r) => includesAll(attempt2.fixes, r.fixes))) continue;
      if (conflicts.known(attempt2.build)) {
        failed.push(attempt2);
        continue;
      }
      const answer = conflicts.answer(attempt2.build);
      if (answer) found.push({ fixes: attempt2.fixes });
      else if (answer === false) failed.push(attempt2);
    }
    if (depth2 === DEPTH || found.some(keepsAllCards)) break;
    attempts = failed.filter(keepsAllCards).slice(0, WIDTH).flatMap((attempt2) => grow(attempt2, conflicts.of(attempt2.build))).sort(byCost);
  }
  if (!found.length) found.push(...oneByOne(build, parts2, conflicts));
  return found.sort((a, b) => fixCost(a.fixes) - fixCost(b.fixes));
}
var MOST_CONFLICTS = 16;
var MOST_TRIES = 240;
function oneByOne(build, parts2, conflicts) {
  let tries = 0;
  const works = (b) => {
    tries++;
    return !conflicts.known(b) && conflicts.answer(b) === true;
  };
  const alone = (b, before, core2) => {
    const named3 = new Set(core2.map((f) => f.item));
    const isThere = new Set(before.items.map((i) => i.id));
    return { ...b, items: b.items.filter((i) => named3.has(i.id) || !isThere.has(i.id)) };
  };
  let now = build;
  let core = conflicts.of(build);
  const fixes = [];
  for (let n2 = 0; n2 < MOST_CONFLICTS; n2++) {
    const ready = new Set(build.shelf.map((i) => i.id));
    const fix = candidates(machine(now, parts2), core, parts2).filter((way) => way.action !== "exchange" || ready.has(way.with)).sort((a, b) => fixCost([a]) - fixCost([b])).find(
      (way) => (
        // Without any one of its members a conflict is none.
        way.action === "take-out" || tries < MOST_TRIES && works(alone(applyFix(now, way, parts2), now, core))
      )
    );
    if (!fix) return [];
    fixes.push(fix);
    now = applyFix(now, fix, parts2);
    if (works(now)) return [{ fixes: needed(build, parts2, fixes, works) }];
    core = conflicts.of(now);
    if (!core.length) return [];
  }
  return [];
}
function needed(build, parts2, fixes, works) {
  const apply = (list2) => list2.reduce((b, fix) => applyFix(b, fix, parts2), build);
  let kept = [...fixes];
  for (const fix of [...fixes].sort((a, b) => fixCost([b]) - fixCost([a]))) {
    const without = kept.filter((f) => f !== fix);
    if (without.length && works(apply(without))) kept = without;
  }
  return kept;
}
var nameOf3 = (fix) => JSON.stringify(fix);
var includesAll = (big2, small) => small.every((fix) => big2.some((other) => nameOf3(other) === nameOf3(fix)));
var keepsAllCards = ({ fixes }) => fixes.every((fix) => fix.action !== "take-out");

// src/lib/core/solver/resolve.ts
var DEFAULT_NODES = 2e6;
function resolve(build, parts2, options = {}) {
  const m = machine(build, parts2);
  const allowOff = options.allowOff ?? false;
  const limits2 = { maxNodes: options.maxNodes ?? DEFAULT_NODES, shouldStop: options.shouldStop };
  const compiled = compile(m, { allowOff });
  const outcome = solve(compiled, limits2);
  if (outcome.kind === "stopped") return { status: "stopped", bound: outcome.bound, nodes: outcome.nodes };
  if (outcome.kind === "impossible") {
    const core = findCore(compiled, limits2);
    const members = core.functions.map((i) => there(compiled.functions[i]));
    return {
      status: "impossible",
      core: coreFunctions2(core).map((i) => coreMember(m, compiled, core, i)),
      minimal: core.minimal,
      relaxations: findRelaxations(build, parts2, members, {
        allowOff,
        most: options.relaxations ?? 6,
        limits: limits2
      }),
      nodes: outcome.nodes
    };
  }
  const best = solutionOf(m, outcome.answer.positions, outcome.answer.objective);
  return {
    status: "solved",
    optimal: outcome.optimal,
    bound: outcome.bound,
    ...best,
    alternatives: alternatives(m, best, options.alternatives ?? 2, allowOff, limits2),
    unknown: unknownsOf(m),
    nodes: outcome.nodes
  };
}
function solutionOf(m, positions, objective) {
  const at2 = (item, setting) => positions.get(keyOf(item, setting));
  const lines3 = linesAt(m, at2);
  const decided = lineSettings(m);
  const byItem = {};
  const moves = [];
  for (const { item, part } of m.fitted) {
    for (const setting of part.settings) {
      const position = at2(item.id, setting.id);
      if (position === void 0 || !decided.has(keyOf(item.id, setting.id))) continue;
      (byItem[item.id] ??= {})[setting.id] = position;
      if (item.id !== "pnp" && foundPosition(item, setting) !== position)
        moves.push({
          item: item.id,
          setting: setting.id,
          from: item.asFound[setting.id] ?? null,
          to: position
        });
    }
  }
  const off = m.fitted.flatMap(
    (fitted) => fitted.part.functions.filter((fn) => !isOn(fitted, fn, at2) || lacksInterrupt(m, fitted, fn, at2)).map((fn) => ({ item: fitted.item.id, function: fn.id }))
  );
  return {
    positions: byItem,
    claims: lines3.filter((l) => l.item !== "system").map(({ item, function: fn, claim, resource, value, length, printed }) => ({
      item,
      function: fn,
      claim,
      resource,
      value,
      length,
      text: lineText({ resource, value, length, printed })
    })),
    moves,
    shares: sharesOf(m, lines3),
    off,
    objective
  };
}
function sharesOf(m, lines3) {
  const context = sharingContext(m);
  const shares2 = [];
  lines3.forEach((a, i) => {
    for (const b of lines3.slice(i + 1)) {
      const relation = relate(a, b, context);
      if (relation?.verdict !== "share" || a.item === b.item) continue;
      const kind2 = relation.kind;
      shares2.push({
        a: { item: a.item, function: a.function },
        b: { item: b.item, function: b.function },
        line: lineText(a),
        kind: kind2,
        tolerated: relation.cost > 0
      });
    }
  });
  return shares2;
}
var coreFunctions2 = (core) => [.../* @__PURE__ */ new Set([...core.functions, ...core.claims.map((c) => c.fn)])];
function coreMember(m, compiled, core, index) {
  const { item, id: id2 } = there(compiled.functions[index]);
  const wanted2 = core.claims.filter((c) => c.fn === index);
  const lines3 = compiled.classes.flatMap(
    ({ fn, line: line2 }) => fn === index && line2 && (!wanted2.length || wanted2.some((w) => w.claim === line2.index)) ? [line2] : []
  );
  const claims = [...new Set(lines3.map((l) => l.claim))].map((claim) => {
    const all = lines3.filter((l) => l.claim === claim);
    const reached = all.filter((l) => unreachable(m, m.get(item), l) === null);
    const own = reached.length ? reached : all;
    return { claim, resource: there(own[0]).resource, could: [...new Set(own.map(lineText))] };
  });
  return { item, function: id2, claims };
}
var contains = (big2, small) => small.moves.every((m) => big2.moves.some((n2) => n2.item === m.item && n2.setting === m.setting));
function alternatives(m, best, wanted2, allowOff, limits2) {
  if (wanted2 === 0) return [];
  const accepted = [best];
  const open = [];
  const tried = /* @__PURE__ */ new Set();
  let budget = 40;
  const expand2 = (solution, forced) => {
    for (const move of solution.moves) {
      const owner = m.get(move.item);
      const setting = byId(owner.part.settings, move.setting);
      const stood = foundPosition(owner.item, setting);
      if (stood === void 0 || isFixed(owner, setting) || budget-- <= 0) continue;
      const next = new Map(forced).set(keyOf(move.item, move.setting), stood);
      const name2 = [...next].flat().sort().join(" ");
      if (tried.has(name2)) continue;
      tried.add(name2);
      const compiled = compile(m, { allowOff, forced: next });
      const outcome = solve(compiled, limits2);
      if (outcome.kind !== "solved") continue;
      const { positions, objective } = outcome.answer;
      open.push({
        forced: next,
        solution: solutionOf(m, positions, objective)
      });
    }
  };
  expand2(best, /* @__PURE__ */ new Map());
  while (open.length && accepted.length <= wanted2) {
    open.sort((a, b) => compare(a.solution.objective, b.solution.objective));
    const { solution, forced } = there(open.splice(0, 1)[0]);
    if (accepted.some((earlier) => contains(solution, earlier))) {
      if (budget > 0) expand2(solution, forced);
    } else accepted.push(solution);
  }
  return accepted.slice(1).sort((a, b) => compare(a.objective, b.objective));
}

// src/lib/core/settings/required.ts
function withSettings(kit) {
  const all = [kit.build.board, ...kit.build.items];
  return all.flatMap((item) => {
    const fitted = kit.m.find(item.id) ?? looseFitted(item, kit.parts);
    return fitted && fitted.part.settings.length ? [{ item, part: fitted.part, title: fitted.title, fitted }] : [];
  });
}
function looseFitted(item, parts2) {
  const part = parts2.get(item.part);
  return part ? { item, part, seat: "none", misfit: null, title: item.label ?? part.name } : null;
}
function required(kit, isAsked = () => true) {
  return withSettings(kit).flatMap(
    ({ item, part, title }) => meaningsOf(part).flatMap((meant) => {
      if (!isAsked(item, meant)) return [];
      const of2 = { ...meant, item: item.id };
      const want = factRules[meant.fact].want(kit, of2);
      if (!want) return [];
      const { setting, values } = meant;
      const positions = setting.positions.filter((p) => values.has(p.id) && want.suits(entryOf(values, p.id))).map((p) => p.id);
      const { rank } = want;
      if (rank) positions.sort((a, b) => rank(entryOf(values, a)) - rank(entryOf(values, b)));
      const planned3 = item.chosen[setting.id] ?? item.asFound[setting.id];
      const stays = planned3 !== void 0 && positions.includes(planned3);
      return [
        {
          item: item.id,
          title,
          part,
          setting,
          fact: meant.fact,
          positions,
          position: stays ? planned3 : positions[0] ?? null,
          value: want.value,
          because: want.because
        }
      ];
    })
  );
}
function settle(build, list2) {
  const change = (item) => {
    const chosen = { ...item.chosen };
    for (const r of list2)
      if (r.item === item.id && r.position !== null && !item.locked.includes(r.setting.id)) {
        if (positionOf(item, r.setting) !== r.position || item.asFound[r.setting.id] === void 0)
          chosen[r.setting.id] = r.position;
      }
    return { ...item, chosen };
  };
  return { ...build, board: change(build.board), items: build.items.map(change) };
}

// src/lib/core/settings/tick.ts
var planned = (build, parts2) => settle(build, required(kitOf(build, parts2)));

// src/lib/core/software/slowing.ts
function slowDownsOf(board3, family3) {
  const { rank } = families[family3];
  const facts2 = board3.board;
  const out2 = [];
  if (facts2.headers?.some((h) => h.kind === "turbo-switch")) out2.push({ means: "turbo", factor: [1.3, 4] });
  const setsWaits = meaningsOf(board3).some((m) => m.fact === "wait-states");
  if ((rank === 1 || rank === 2) && setsWaits) out2.push({ means: "waits", factor: [1.1, 1.6] });
  if (facts2.cacheKiB) out2.push({ means: "l2-off", factor: [1.05, 1.4] });
  if (rank === 3) out2.push({ means: "l1-off", factor: [3, 8] });
  if (rank >= 4) out2.push({ means: "l1-off", factor: [8, 25] });
  if (facts2.multiplier && !Array.isArray(facts2.multiplier))
    out2.push({ means: "multiplier", factor: [1.3, 4] });
  if (rank >= 3) out2.push({ means: "software", factor: [1.1, 8] });
  return out2;
}
function slowDowns(kit) {
  const family3 = kit.cpu?.cpu?.family;
  return family3 ? slowDownsOf(kit.board, family3) : [];
}
function waysIn(index, from, to, means, reach3 = "may") {
  const upTo = ({ factor: [low, high] }) => reach3 === "may" ? high : Math.sqrt(low * high);
  const fits = (list2) => {
    const most = list2.reduce((n2, m) => n2 * upTo(m), 1);
    const least2 = list2.reduce((n2, m) => n2 * m.factor[0], 1);
    return index / most <= to && index / least2 >= from;
  };
  const alone = means.filter((m) => fits([m])).map((m) => [m]);
  if (alone.length) return alone;
  return means.flatMap((a, i) => means.slice(i + 1).flatMap((b) => fits([a, b]) ? [[a, b]] : []));
}

// src/lib/core/software/systems.ts
var windows = (name2, version, pattern, needs, dos = null) => ({ name: name2, pattern, windows: version, dos, ...needs });
var systems = [
  // Its setup refuses a 386, and looks for an FPU and 66 MHz.
  windows(
    "Windows 98",
    4.1,
    /windows\s*(?:98|4\.1)/i,
    { cpu: "486dx", baseKiB: 640, extendedKiB: 15360, diskMiB: 120 },
    7.1
  ),
  windows(
    "Windows 95 OSR2",
    4,
    /windows\s*95\s*(?:b|c|osr\s*2(?:\.\d)?)\b/i,
    { cpu: "386dx", baseKiB: 640, extendedKiB: 3072, diskMiB: 60 },
    7.1
  ),
  windows(
    "Windows 95",
    4,
    /windows\s*(?:95|4(?:\.0)?)/i,
    { cpu: "386dx", baseKiB: 640, extendedKiB: 3072, diskMiB: 60 },
    7
  ),
  // Enhanced mode only.
  windows("Windows for Workgroups 3.11", 3.11, /windows(?:\s+for\s+workgroups)?\s*3\.11/i, {
    cpu: "386sx",
    baseKiB: 640,
    extendedKiB: 2048,
    diskMiB: 10
  }),
  // Standard mode: a 286 and 256 KiB above the first megabyte.
  windows("Windows 3.1", 3.1, /windows\s*3\.1/i, {
    cpu: "286",
    baseKiB: 640,
    extendedKiB: 256,
    diskMiB: 8
  }),
  // Real mode.
  windows("Windows 3.0", 3, /windows\s*3(?:\.0)?/i, {
    cpu: "8088",
    baseKiB: 640,
    extendedKiB: 0,
    diskMiB: 6
  }),
  windows("Windows 2.0", 2, /windows\s*2/i, { cpu: "8088", baseKiB: 512, extendedKiB: 0, diskMiB: 0 }),
  windows("Windows 1.0", 1, /windows\s*1/i, { cpu: "8088", baseKiB: 256, extendedKiB: 0, diskMiB: 0 })
];
var systemIn = (os) => systems.find((s2) => s2.pattern.test(os ?? "")) ?? null;
function systemOf(os) {
  const typed = /dos\s*(\d+(?:\.\d+)?)/i.exec(os ?? "");
  const system2 = systemIn(os);
  return { dos: typed ? Number(typed[1]) : system2?.dos ?? null, windows: system2?.windows ?? null };
}
function systemLacks({ cpu: cpu2, baseKiB, extendedKiB, diskMiB }, has3) {
  const below = (given, needed2) => given !== null && given !== void 0 && given < needed2;
  return [
    ...has3.cpu && !runs(has3.cpu, cpu2) ? ["cpu"] : [],
    ...below(has3.totalKiB, baseKiB) ? ["base"] : [],
    ...below(has3.extendedKiB, extendedKiB) ? ["extended"] : [],
    ...below(has3.diskMiB, diskMiB) ? ["disk"] : []
  ];
}
var suitsSystem = (os, has3) => {
  const system2 = systemIn(os);
  return system2 === null || systemLacks(system2, has3).length === 0;
};

// src/lib/core/software/offer.ts
function offerOf(kit) {
  const cpu2 = kit.cpu?.cpu ?? null;
  const { core } = clocksOf(kit.board, kit.cpu, kit.at, () => true);
  const { dos, windows: windows2 } = systemOf(kit.build.brief.os);
  const cabled = cablesOf(kit).filter((c) => c.controller?.isOn);
  const on = kit.m.fitted.filter((f) => !f.misfit);
  const functions2 = new Set(
    on.flatMap(
      (f) => f.part.functions.filter((fn) => powerState(f, fn, kit.at) === "on").map((fn) => fn.kind)
    )
  );
  const abilities2 = new Set(
    [...on.map((f) => f.part), ...kit.adapters.map((a) => a.part)].flatMap((p) => p.audio?.abilities ?? [])
  );
  const disks2 = cabled.filter(({ drive }) => ["hard", "flash"].includes(drive.part.drive.medium));
  return {
    cpu: cpu2?.family ?? null,
    speed: cpu2 && core !== null ? speedIndex(cpu2, core) : null,
    slow: slowDowns(kit),
    fpu: (cpu2?.fpu ?? false) || kit.fpu !== null,
    memory: memoryOf(kit, dos ?? 6),
    pictures: picturesOf(kit),
    roomier: () => withMoreMemory(kit),
    videoKiB: Math.max(0, ...kit.displays.filter((d) => d.isOn).map((d) => d.facts.memoryKiB)),
    abilities: abilities2,
    functions: functions2,
    diskMiB: disks2.length ? Math.max(...disks2.map(({ drive }) => Math.floor((drive.part.drive.sectors ?? 0) / 2048))) : null,
    cdrom: cabled.some(({ drive }) => drive.part.drive.medium === "optical"),
    floppies: [
      ...new Set(cabled.flatMap(({ drive }) => mediaOf(drive.part.drive.floppyKiB ?? 0).reads))
    ].filter(Boolean),
    dos,
    windows: windows2
  };
}
function memoryOf(kit, dos) {
  if (!kit.memory) return null;
  const total = totalKiB(kit);
  if (total === 0) return null;
  const shown2 = shownMemory(total, kit.memory);
  const family3 = kit.cpu?.cpu?.family;
  const fromDriver = family3 && families[family3].rank >= 2 ? shown2.extended : 0;
  return {
    base: freeBase(shown2, dos, kit.facts.class === "at"),
    extended: shown2.extended,
    expanded: Math.max(expandedKiB(kit), fromDriver)
  };
}
function withMoreMemory(kit) {
  const roomy = kit.displays.map((d) => ({ ...d, facts: { ...d.facts, memoryKiB: 1024 * 1024 } }));
  return picturesOf({ ...kit, displays: roomy }) ?? /* @__PURE__ */ new Set();
}
function picturesOf(kit) {
  const hooked = hookedMonitors(kit);
  if (!hooked.length) return null;
  const pictures3 = /* @__PURE__ */ new Set();
  const only3d2 = kit.displays.some((d) => d.facts.standard === "3d-only");
  for (const { display, checks } of hooked) {
    if (!display) continue;
    const shown2 = checks.filter((c) => c.verdict === "shown").map((c) => c.mode);
    for (const picture4 of pictures) if (gives(display.facts, shown2, picture4)) pictures3.add(picture4);
    if (only3d2 && shown2.some((m) => m.signal === "analogue")) pictures3.add("3d");
  }
  return pictures3;
}

// src/lib/core/software/unmet.ts
var CRAWLS = 0.6;
var RACES = 2;
var standIns = {
  mouse: ["mouse", "serial"],
  modem: ["modem", "serial"]
};
var serving = (named3) => standIns[named3] ?? [named3];
var lacked = (display, offer) => display?.length && offer.pictures && !display.some((p) => offer.pictures?.has(p)) ? display : null;
var dispensable = ["game", "parallel", "mouse"];
var hard = (found) => ({ ...found, hard: true });
var soft = (found) => ({ ...found, hard: false });
var tests = [
  [
    "cpu",
    ({ cpu: cpu2 }, offer) => cpu2 && offer.cpu && !runs(offer.cpu, cpu2) ? hard({ rule: "software.cpu", facts: { needs: cpu2, has: offer.cpu } }) : null
  ],
  [
    "cpu",
    ({ speed: speed2 }, offer) => {
      if (speed2?.from === void 0 || offer.speed === null || offer.speed >= speed2.from) return null;
      const severe = offer.speed < speed2.from * CRAWLS;
      return {
        rule: "software.slow",
        facts: { needs: speed2.from, has: offer.speed, severe },
        hard: severe
      };
    }
  ],
  [
    "cpu",
    ({ speed: speed2 }, offer) => {
      if (speed2?.to === void 0 || offer.speed === null || offer.speed <= speed2.to) return null;
      const [way = []] = waysIn(offer.speed, speed2.from ?? 0, speed2.to, offer.slow ?? [], "likely");
      const by = way.map((m) => m.means);
      const severe = offer.speed > speed2.to * RACES && !by.length;
      return { rule: "software.fast", facts: { most: speed2.to, has: offer.speed, severe, by }, hard: severe };
    }
  ],
  [
    "cpu",
    ({ fpu }, offer) => fpu && offer.cpu && !offer.fpu ? { rule: "software.fpu", facts: { refuses: fpu === "needed" }, hard: fpu === "needed" } : null
  ],
  [
    "memory",
    ({ memory: memory3 }, offer) => memory3?.baseKiB !== void 0 && offer.memory && offer.memory.base < memory3.baseKiB ? hard({
      rule: "software.base",
      facts: { needsKiB: memory3.baseKiB, hasKiB: offer.memory.base }
    }) : null
  ],
  [
    "memory",
    ({ memory: memory3 }, offer) => memory3?.extendedKiB !== void 0 && offer.memory && offer.memory.extended < memory3.extendedKiB ? hard({
      rule: "software.extended",
      facts: { needsKiB: memory3.extendedKiB, hasKiB: offer.memory.extended }
    }) : null
  ],
  [
    "memory",
    ({ memory: memory3 }, offer) => {
      if (memory3?.expandedKiB === void 0 || !offer.memory) return null;
      const isDriver = offer.cpu !== null && families[offer.cpu].rank >= 2;
      const spare = isDriver ? offer.memory.expanded - (memory3.extendedKiB ?? 0) : offer.memory.expanded;
      return spare >= memory3.expandedKiB ? null : hard({
        rule: "software.expanded",
        facts: { needsKiB: memory3.expandedKiB, hasKiB: Math.max(0, spare) }
      });
    }
  ],
  [
    "display",
    ({ display }, offer) => {
      const [roomy] = lacked(display, offer)?.filter((p) => offer.roomier?.().has(p)) ?? [];
      const needsKiB = roomy && pictureKiB(roomy);
      return needsKiB ? hard({
        rule: "video.memory",
        facts: { picture: roomy, needsKiB, hasKiB: offer.videoKiB ?? 0 }
      }) : null;
    }
  ],
  [
    "display",
    ({ display }, offer) => {
      const missing2 = lacked(display, offer);
      return missing2 && !missing2.some((p) => pictureKiB(p) && offer.roomier?.().has(p)) ? hard({ rule: "software.display", facts: { pictures: [...missing2] } }) : null;
    }
  ],
  [
    "audio",
    ({ audio, audioNeeded }, offer) => audio?.length && !audio.some((a) => offer.abilities.has(a)) ? { rule: "software.audio", facts: { knows: [...audio] }, hard: audioNeeded === true } : null
  ],
  [
    "storage",
    ({ diskMiB }, offer) => diskMiB !== void 0 && (offer.diskMiB ?? 0) < diskMiB ? hard({ rule: "software.disk", facts: { needsMiB: diskMiB, hasMiB: offer.diskMiB } }) : null
  ],
  [
    "storage",
    ({ cdrom }, offer) => cdrom && !offer.cdrom ? hard({ rule: "software.cdrom", facts: {} }) : null
  ],
  [
    "storage",
    ({ floppyKiB }, offer) => floppyKiB !== void 0 && offer.floppies.length > 0 && !offer.floppies.includes(floppyKiB) ? soft({ rule: "software.floppy", facts: { kib: floppyKiB } }) : null
  ],
  [
    "ports",
    ({ functions: functions2 }, offer) => {
      const missing2 = (functions2 ?? []).filter((f) => !serving(f).some((g) => offer.functions.has(g)));
      return missing2.length ? {
        rule: "software.ports",
        facts: { missing: missing2 },
        hard: !missing2.every((f) => dispensable.includes(f))
      } : null;
    }
  ],
  [
    "system",
    ({ dos }, offer) => dos !== void 0 && offer.dos !== null && offer.dos < dos ? hard({ rule: "software.dos", facts: { needs: dos, has: offer.dos } }) : null
  ],
  [
    "system",
    ({ windows: windows2 }, offer) => windows2 !== void 0 && offer.dos !== null && (offer.windows ?? 0) < windows2 ? hard({ rule: "software.windows", facts: { needs: windows2 } }) : null
  ]
];
function unmet(profile, offer, areas) {
  const wants = profile.wants ?? {};
  const out2 = [];
  for (const [area, find] of tests) {
    const found = !areas || areas.includes(area) ? find(wants, offer) : null;
    if (found) out2.push({ area, ...found });
  }
  return out2.sort((a, b) => Number(b.hard) - Number(a.hard));
}

// src/lib/core/rules/brief.ts
var everything = (s2) => [
  { id: "board", part: s2.kit.board, title: s2.m.board.title },
  ...s2.kit.build.items.map((item) => {
    const part = entryOf(s2.parts, item.part);
    return { id: item.id, part, title: item.label ?? part.name };
  })
];
var dateOf = (s2) => s2.kit.build.brief.date ?? String(s2.kit.year);
var strictness = (s2) => s2.kit.build.brief.strictness ?? "spirit";
var early = (s2) => {
  const { year } = s2.kit;
  if (year === null) return [];
  return everything(s2).flatMap((thing3) => {
    const { sold } = thing3.part;
    if (!sold || sold.from <= year) return [];
    return [
      {
        rule: "period.early",
        severity: strictness(s2) === "convenient" ? "note" : "caution",
        about: [thing3.id],
        facts: { part: thingOf(thing3), from: sold.from, date: dateOf(s2) }
      }
    ];
  });
};
var STILL_IN_USE = 4;
var late = (s2) => {
  const { year } = s2.kit;
  if (year === null || strictness(s2) === "convenient") return [];
  return everything(s2).flatMap((thing3) => {
    const to = thing3.part.sold?.to;
    if (thing3.part.kind === "bios" || to === void 0 || to + STILL_IN_USE >= year) return [];
    return [{ rule: "period.late", about: [thing3.id], facts: { part: thingOf(thing3), to, date: dateOf(s2) } }];
  });
};
var partsIn = ({ kit }) => [
  kit.board,
  ...kit.build.items.map((i) => entryOf(kit.parts, i.part))
];
var freeSlotCount = ({ kit, m }) => {
  const slots3 = kit.facts.slots.filter((x) => x.bus !== "memory-board").length;
  return Math.max(0, slots3 - new Set(m.fitted.map((f) => f.slot?.id).filter(Boolean)).size);
};
function wishUnmet(wish, s2) {
  const parts2 = partsIn(s2);
  switch (wish.kind) {
    case "keep":
      return !parts2.some((p) => p.id === wish.part);
    case "never":
      return parts2.some((p) => p.id === wish.part);
    case "emulator-outside":
      return parts2.some((p) => p.drive?.medium === "emulator" && p.drive.bay !== "outside");
    case "original-look":
      return parts2.some(showsNew);
    case "real-disk":
      return !parts2.some((p) => p.drive?.medium === "hard");
    case "colour":
      return !(s2.kit.monitors.some((p) => p.part.monitor.colour) && s2.kit.displays.some((d) => showsColour(d.facts)));
    case "quiet":
      return parts2.some((p) => p.drive?.medium === "hard");
    case "spare-slots":
      return freeSlotCount(s2) < wish.count;
    case "have":
      return !has2(wish.what, s2);
  }
}
var showsColour = ({ standard: standard2 }) => standard2 !== "mono";
var showsNew = (part) => part.drive?.medium === "emulator" && part.drive.bay !== "outside" || part.drive?.medium === "flash" && part.drive.bay !== "none";
var floppySizes = {
  "floppy-5": [360, 1200],
  "floppy-3": [720, 1440, 2880]
};
function has2(what, { kit, m }) {
  const fns = new Set(m.fitted.flatMap((f) => f.part.functions.map((fn) => fn.kind)));
  switch (what) {
    case "cdrom":
      return kit.drives.some((d) => d.part.drive.medium === "optical");
    case "floppy-5":
    case "floppy-3":
      return kit.drives.some((d) => floppySizes[what].includes(d.part.drive.floppyKiB ?? 0));
    case "fpu":
      return kit.fpu !== null || (kit.cpu?.cpu?.fpu ?? false);
    case "mouse":
      return fns.has("mouse") || fns.has("serial");
    case "modem":
      return fns.has("modem");
    default:
      return fns.has(what);
  }
}
var wishKey = (wish) => [wish.kind, ..."part" in wish ? [wish.part] : "what" in wish ? [wish.what] : []].join(".");
var wishes = (s2) => (s2.kit.build.brief.wishes ?? []).flatMap((wish) => {
  if (s2.kit.build.items.length === 0 || !wishUnmet(wish, s2)) return [];
  return [
    {
      rule: "brief.wish",
      key: wishKey(wish),
      about: ["board"],
      facts: {
        wish,
        part: "part" in wish ? s2.kit.parts.get(wish.part)?.name ?? wish.part : "",
        free: freeSlotCount(s2)
      }
    }
  ];
});
var pending = {
  cpu: ({ offer }) => offer.cpu === null,
  memory: ({ kit, offer }) => kit.memory !== null && offer.memory === null,
  monitor: ({ kit }) => kit.monitors.length === 0 && !kit.facts.closed,
  display: ({ kit }) => kit.displays.length === 0,
  drives: ({ kit }) => kit.drives.length === 0,
  // A machine that is sold as one has its own.
  supply: ({ kit }) => kit.supply === null && !kit.facts.closed,
  keyboard: ({ kit }) => kit.keyboard === null && !kit.facts.closed
};
var missing = (s2) => {
  if (!s2.kit.facts.cpuSocket) return [];
  const kinds3 = Object.keys(pending).filter((kind2) => pending[kind2](s2));
  return kinds3.length ? [{ rule: "kit.missing", about: ["board"], facts: { missing: kinds3 } }] : [];
};
var pnpNoBios = (s2) => {
  const bios2 = s2.kit.firmware;
  if (!bios2 || bios2.firmware?.pnp) return [];
  return s2.m.fitted.filter((f) => f.part.blocks.some((b) => b.kind === "pnp")).map((f) => ({
    rule: "pnp.nobios",
    about: [f.item.id],
    facts: { card: { name: f.title, what: whatOf(f.part) }, bios: bios2.name }
  }));
};
var briefRules = [early, late, wishes, missing, pnpNoBios];

// src/lib/core/rules/rule.ts
function setFix({ m }, item, setting, position) {
  const known3 = m.find(item)?.part.settings.find((s2) => s2.id === setting);
  return {
    label: {
      kind: "position",
      setting: known3?.label ?? setting,
      position: known3?.positions.find((p) => p.id === position)?.label ?? position
    },
    fix: { action: "set", item, setting, position }
  };
}
var slotFix = (item, slot2) => ({
  label: { kind: "slot", slot: slot2.label ?? slot2.id },
  fix: { action: "move-slot", item, slot: slot2.id }
});

// src/lib/core/rules/cpu.ts
var setPosition = (s2, setting, offer) => setting && offer && offer.position !== null ? [setFix(s2, "board", setting, offer.position)] : [];
var cpuItem = (s2) => s2.kit.build.items.find((i) => s2.parts.get(i.part)?.kind === "cpu");
var about = (s2, setting) => {
  const cpu2 = cpuItem(s2);
  return [...cpu2 ? [cpu2.id] : [], setting ? { item: "board", setting } : "board"];
};
var thing = (part) => ({ name: part.name, what: whatOf(part) });
var seen2 = (s2) => (setting) => isLookedAt(s2.kit.build.board, setting);
var clocks = (s2) => clocksOf(s2.kit.board, s2.kit.cpu, s2.at, seen2(s2));
var positionFor = (offered3, fits) => offers(offered3).find((o) => o.position !== null && fits(o.value));
var socket = (s2) => {
  const { cpu: cpu2, board: board3, facts: facts2 } = s2.kit;
  if (!cpu2?.cpu || !cpuItem(s2) || !facts2.cpuSocket || socketTakes(board3, cpu2)) return [];
  const { accepts, families: known3, soldered } = facts2.cpuSocket;
  const both = { cpu: thing(cpu2), board: thing(board3) };
  const told = soldered ? { ...both, why: "soldered" } : !pinsFit(accepts, cpu2.cpu.socket) ? { ...both, why: "socket", needs: cpu2.cpu.socket, takes: [...accepts] } : { ...both, why: "family", family: cpu2.cpu.family, knows: [...known3] };
  return [{ rule: "cpu.socket", about: about(s2), facts: told }];
};
var carrier = (s2) => {
  const found = s2.kit.carrier;
  const facts2 = found?.part.adapter?.cpu;
  const board3 = s2.m.board.part;
  if (!found || !facts2 || !board3.board?.cpuSocket) return [];
  const { cpu: cpu2 } = s2.kit;
  const told = { carrier: thingOf(found), board: thing(board3), cpu: cpu2 ? thing(cpu2) : null };
  const say = (why) => [
    { rule: "cpu.carrier", about: [found.item.id, "board"], facts: { ...told, why } }
  ];
  if (!carrierFits(board3, facts2)) return say("board");
  return cpu2?.cpu && !pinsFit(facts2.takes, cpu2.cpu.socket) ? say("cpu") : [];
};
var writes = (s2) => {
  const { cpu: cpu2, facts: facts2 } = s2.kit;
  const way = cpu2?.cpu?.writes;
  if (!cpu2 || !way) return [];
  const told = facts2.cacheWrites;
  const choice = typeof told === "object" ? told : null;
  const board3 = typeof told === "object" ? told.values[s2.at("board", told.setting) ?? ""] : told;
  const say = (why, severity, to) => {
    const position = choice && to && Object.keys(choice.values).find((p) => choice.values[p] === to);
    return [
      {
        rule: "cpu.writes",
        severity,
        about: about(s2, choice?.setting),
        facts: { cpu: thing(cpu2), board: thing(s2.kit.board), why },
        fixes: choice && position ? [setFix(s2, "board", choice.setting, position)] : []
      }
    ];
  };
  if (way === "through") return board3 === "back" ? say("told", "caution", "through") : [];
  if (board3 === "back") return [];
  if (way === "either") return board3 === "through" ? say("slower", "note", "back") : [];
  return board3 === "through" ? say("stale", "clash", "back") : say("unknown", "caution");
};
var voltage = (s2) => {
  const { cpu: cpu2, facts: facts2 } = s2.kit;
  const reading = clocks(s2).volts;
  if (!cpu2?.cpu || reading.value === null) return [];
  const { low, high } = cpu2.cpu.volts;
  const good = positionFor(facts2.coreVolts, (v) => v <= high + VOLTS.same && v >= low - VOLTS.below);
  const fixes = setPosition(s2, reading.setting, good);
  const told = {
    cpu: thing(cpu2),
    low,
    high,
    volts: reading.value,
    canSet: fixes.length > 0,
    // Carriers with a regulator were made for the first socket of the 486.
    carried: !s2.kit.carrier && (facts2.cpuSocket?.accepts ?? []).includes("pga168")
  };
  const common3 = { about: about(s2, reading.setting), facts: told, fixes };
  if (reading.value > high + VOLTS.same) return [{ rule: "cpu.voltage", ...common3 }];
  return reading.value < low - VOLTS.below ? [{ rule: "cpu.voltage-low", ...common3 }] : [];
};
var voltageUnknown = (s2) => {
  const { cpu: cpu2, facts: facts2 } = s2.kit;
  if (!cpu2?.cpu || families[cpu2.cpu.family].rank < 3) return [];
  const reading = clocks(s2).volts;
  if (reading.value !== null && (!reading.unseen || offers(facts2.coreVolts).length === 1)) return [];
  const setting = s2.kit.board.settings.find((x) => x.id === reading.setting)?.label ?? null;
  return [
    {
      rule: "cpu.voltage-unknown",
      about: about(s2, reading.setting),
      facts: { cpu: thing(cpu2), high: cpu2.cpu.volts.high, setting }
    }
  ];
};
var split2 = (s2) => {
  const { cpu: cpu2, facts: facts2, board: board3 } = s2.kit;
  if (!cpu2?.cpu?.split) return [];
  const least2 = Math.min(...offers(facts2.coreVolts).map((o) => o.value));
  if (least2 <= cpu2.cpu.volts.high + VOLTS.same) return [];
  const { low, high } = cpu2.cpu.volts;
  return [
    {
      rule: "cpu.split",
      about: about(s2),
      facts: { cpu: thing(cpu2), board: thing(board3), inside: { low, high } }
    }
  ];
};
var clock = (s2) => {
  const { cpu: cpu2, facts: facts2 } = s2.kit;
  if (!cpu2?.cpu) return [];
  const { bus, factor, core, code } = clocks(s2);
  if (bus.value === null || core === null || factor === null) return [];
  const rated = cpu2.cpu;
  const whole2 = ratedFactor(rated);
  const right = positionFor(facts2.busClock, (v) => sameClock(v, rated.busMHz));
  const fixes = [
    ...sameClock(bus.value, rated.busMHz) ? [] : setPosition(s2, bus.setting, right),
    ...code.setting && hasMultiplierPins(rated) && !sameClock(factor, whole2) ? offers(facts2.multiplier).filter((o) => sameClock(factorOn(rated, o.value), whole2)).slice(0, 1).flatMap((o) => setPosition(s2, code.setting, o)) : []
  ];
  const told = {
    cpu: thing(cpu2),
    bus: bus.value,
    factor,
    core,
    ratedBus: rated.busMHz,
    ratedCore: rated.coreMHz
  };
  const common3 = { about: about(s2, bus.setting), fixes };
  if (tooFast(core, rated.coreMHz)) {
    const mistaken = sameClock(bus.value, rated.coreMHz) && !sameClock(rated.coreMHz, rated.busMHz);
    return [{ rule: "cpu.clock", ...common3, facts: { ...told, mistaken } }];
  }
  if (tooFast(bus.value, rated.busMHz)) return [{ rule: "cpu.bus", ...common3, facts: told }];
  if (tooSlow(core, rated.coreMHz))
    return !facts2.multiplier && hasMultiplierPins(rated) && tooSlow(factor, whole2) ? [{ rule: "cpu.multiplier", ...common3, facts: { cpu: thing(cpu2), ratedFactor: whole2, factor, core } }] : [{ rule: "cpu.slow", ...common3, facts: told }];
  return [];
};
var fpuKind = (s2) => {
  const { fpu, facts: facts2, cpu: cpu2, board: board3 } = s2.kit;
  if (!fpu?.part.fpu) return [];
  const { kind: kind2, mhz: rated } = fpu.part.fpu;
  const found = (told) => [
    { rule: "fpu.kind", about: [fpu.item.id, "board"], facts: told }
  ];
  const it2 = thingOf(fpu);
  if (!(facts2.fpuSockets ?? []).includes(kind2))
    return found({ why: "socket", fpu: it2, board: thing(board3), sockets: [...facts2.fpuSockets ?? []] });
  if (cpu2?.cpu?.fpu) return found({ why: "inside", fpu: it2, cpu: thing(cpu2) });
  if (cpu2?.cpu && !fpuSuits(kind2, cpu2.cpu.family))
    return found({ why: "pair", fpu: it2, cpu: thing(cpu2), family: cpu2.cpu.family, kind: kind2 });
  const core = clocks(s2).core ?? cpu2?.cpu?.coreMHz;
  if (core === void 0 || core === null) return [];
  const needed2 = kind2 === "287" ? core * 2 / 3 : core;
  return tooFast(needed2, rated) ? found({ why: "slow", fpu: it2, needed: needed2, rated }) : [];
};
var fpuSwitch = (s2) => {
  const set = s2.kit.facts.fpuSwitch;
  if (!set || !s2.kit.fpu && !cpuItem(s2)) return [];
  const right = s2.kit.fpu ? set.fitted : set.none;
  if (s2.at("board", set.setting) === right) return [];
  return [
    {
      rule: "fpu.switch",
      about: [{ item: "board", setting: set.setting }, ...s2.kit.fpu ? [s2.kit.fpu.item.id] : []],
      facts: { fpu: s2.kit.fpu ? thingOf(s2.kit.fpu) : null },
      fixes: [setFix(s2, "board", set.setting, right)]
    }
  ];
};
var XT_CRYSTAL = 14.318;
var oscillator = (s2) => {
  const found = s2.kit.oscillator;
  if (!found) return [];
  const { part } = s2.m.board;
  const { mhz: mhz3 } = found.part.oscillator;
  const own = part.board?.busClock;
  const isFirst = Array.isArray(own) && own.some((v) => sameClock(v * 3, XT_CRYSTAL));
  const why = part.board && !isClockedByOscillator(part.board) ? "jumpers" : isFirst && s2.m.class === "xt" && !sameClock(mhz3, XT_CRYSTAL) ? "timer" : null;
  if (!why) return [];
  const facts2 = { oscillator: thingOf(found), board: thing(part), mhz: mhz3, why };
  return [{ rule: "cpu.oscillator", about: [found.item.id, "board"], facts: facts2 }];
};
var vlbLoad = (s2) => {
  const cards2 = s2.m.fitted.filter((f) => f.part.card?.bus === "vlb" && f.slot?.bus === "vlb");
  const bus = clocks(s2).bus.value;
  if (!cards2.length || bus === null) return [];
  const most = bus <= LOCAL_BUS.noWait ? 3 : bus <= LOCAL_BUS.twoCards ? 2 : 1;
  const names2 = cards2.map((c) => c.item.id);
  if (cards2.length > most)
    return [{ rule: "vlb.load", about: names2, facts: { cards: cards2.length, bus, most } }];
  return bus > LOCAL_BUS.noWait ? [{ rule: "vlb.speed", about: names2, facts: { bus } }] : [];
};
var USUAL_DIVISORS = [2, 3, 4, 5, 6, 8];
var isaClock = (s2) => {
  const isa = isaClockOf(s2.kit.board, clocks(s2).bus.value, s2.at, seen2(s2)) ?? void 0;
  if (isa === void 0 || isa <= ISA.safe) return [];
  const told = s2.kit.facts.busDivisor;
  const cpuBus = clocks(s2).bus.value;
  const jumpers = offers(told).map((o) => o.value);
  const ways2 = jumpers.length ? jumpers : s2.m.class === "at" ? USUAL_DIVISORS : [];
  const by = cpuBus === null ? void 0 : [...ways2].sort((a, b) => a - b).find((n2) => cpuBus / n2 <= ISA.safe);
  const right = by === void 0 ? void 0 : positionFor(told, (v) => v === by);
  return [
    {
      rule: "isa.clock",
      severity: isa > ISA.most ? "clash" : "caution",
      about: [s2.m.board.item.id],
      facts: {
        isa,
        cure: by !== void 0 && cpuBus !== null ? { kind: jumpers.length ? "divide" : "setup", by, gives: cpuBus / by } : { kind: s2.m.class === "xt" ? "turbo" : "slower" }
      },
      fixes: told && !Array.isArray(told) ? setPosition(s2, told.setting, right) : []
    }
  ];
};
var cpuRules = [
  voltageUnknown,
  voltage,
  split2,
  carrier,
  writes,
  oscillator,
  socket,
  clock,
  fpuKind,
  fpuSwitch,
  vlbLoad,
  isaClock
];

// src/lib/core/rules/disks.ts
var biosDisks = (s2) => disksOf(s2.kit).flatMap(
  (d) => d.controller !== null && d.facts?.isRom !== true ? [{ ...d, controller: d.controller }] : []
);
var diskRom = (s2) => {
  const bios2 = s2.kit.firmware;
  const disk = bios2?.firmware.disk;
  if (!disk || disk.translation !== "rom" && disk.types > 0) return [];
  return biosDisks(s2).map(({ drive, controller }) => ({
    rule: "disk.rom",
    about: [drive.item.id, controller.item],
    facts: { drive: thingOf(drive), bios: bios2.name }
  }));
};
var needsRom = ["hard-disk", "scsi", "floppy", "rom", "network"];
var unscanned = (s2) => {
  const bios2 = s2.kit.firmware;
  if (bios2?.firmware.scansRoms !== false) return [];
  return s2.m.fitted.flatMap((f) => {
    if (!f.slot) return [];
    const dead2 = f.part.functions.filter(
      (fn) => isOn(f, fn, s2.at) && (needsRom.includes(fn.kind) || fn.kind === "display") && fn.claims.some((c) => c.resource === "memory" && c.use === "rom")
    );
    return dead2.length ? [
      {
        rule: "rom.unscanned",
        about: dead2.map((fn) => ({ item: f.item.id, function: fn.id })),
        facts: { card: thingOf(f), bios: bios2.name }
      }
    ] : [];
  });
};
var bootOrder = (s2) => {
  const hard2 = disksOf(s2.kit).filter(
    (d) => d.controller !== null && ["hard", "flash"].includes(d.drive.part.drive.medium)
  );
  const scsi2 = hard2.find((d) => d.drive.part.drive.interface === "scsi");
  const ata2 = hard2.find((d) => d.drive.part.drive.interface === "ata" && d.facts?.isRom !== true);
  return scsi2 && ata2 ? [
    {
      rule: "disk.boot",
      about: [scsi2.drive.item.id, ata2.drive.item.id],
      facts: { scsi: thingOf(scsi2.drive), ata: thingOf(ata2.drive) }
    }
  ] : [];
};
var toldElsewhere = /* @__PURE__ */ new Set(["reports-16383", "one-partition", "tool-64g"]);
var diskLimit = (s2) => disksOf(s2.kit).flatMap((disk) => {
  const [barrier] = standing2(disk).filter((b) => !toldElsewhere.has(b.id));
  if (!disk.controller || !barrier) return [];
  const { drive } = disk;
  const best = choicesFor(disk).find((c) => c.works && c.geometry);
  const geometry = best?.geometry;
  return [
    {
      rule: "disk.limit",
      key: barrier.id,
      severity: barrier.id === "heads-256" ? "clash" : "caution",
      about: [drive.item.id],
      facts: { drive: thingOf(drive), barrier },
      fixes: best && geometry ? [
        {
          label: best.type === "user" ? { kind: "geometry", cylinders: geometry.cylinders } : { kind: "drive-type", type: best.type },
          fix: {
            action: "declare",
            item: drive.item.id,
            setup: { ...geometry, type: best.type }
          }
        }
      ] : []
    }
  ];
});
var diskType = (s2) => {
  const bios2 = s2.kit.firmware;
  const disk = bios2?.firmware.disk;
  if (!disk || disk.user || disk.translation === "rom" || disk.types === 0) return [];
  return biosDisks(s2).flatMap((d) => {
    const best = d.drive.item.disk?.setup ? void 0 : choicesFor(d).find((c) => c.id === "type");
    return best?.geometry && best.usable !== null ? [
      {
        rule: "disk.type",
        about: [d.drive.item.id],
        facts: {
          drive: thingOf(d.drive),
          bios: bios2.name,
          types: disk.types,
          best: best.type,
          geometry: best.geometry,
          usable: best.usable,
          lost: best.lost
        }
      }
    ] : [];
  });
};
var setup = (s2) => disksOf(s2.kit).flatMap(
  ({ drive, verdicts }) => verdicts.flatMap(
    (verdict) => verdict.grade === "stop" || verdict.grade === "caution" ? [
      {
        rule: "disk.setup",
        severity: verdict.grade === "stop" ? "clash" : "caution",
        about: [drive.item.id],
        facts: { drive: thingOf(drive), verdict }
      }
    ] : []
  )
);
var diskRules = [diskRom, unscanned, bootOrder, diskLimit, diskType, setup];

// src/lib/core/rules/module-bays.ts
function driveOut(s2, drive) {
  const board3 = s2.m.board.part;
  const needs = drive.part.drive?.interface;
  const fn = moduleFunctions(board3).find(
    (f) => needs !== void 0 && f.speaks?.includes(needs) && !isOn(s2.m.board, f, s2.at)
  );
  if (!fn) return null;
  const bays3 = moduleBays(s2.kit);
  const [layout] = together(board3, [fn.id], holdsNow(bays3)).layouts;
  const [bay] = layout ? bays3.filter((b) => differs(layout, b)) : [];
  if (!layout || !bay) return null;
  const position = layout.holds[bay.setting.id];
  return {
    rule: "bay.out",
    about: [drive.item.id, { item: "board", setting: bay.setting.id }],
    facts: { drive: thingOf(drive), bay: bay.setting.label, holds: bay.module, isSeen: bay.isSeen },
    fixes: position === void 0 ? [] : [setFix(s2, "board", bay.setting.id, position)]
  };
}
var noBattery = ({ kit, at: at2 }) => {
  const { board: board3 } = kit.m;
  const batteries = moduleFunctions(board3.part).filter((fn) => fn.kind === "battery");
  if (!batteries.length || batteries.some((fn) => isOn(board3, fn, at2))) return [];
  const bays3 = moduleBays(kit);
  const charged = layoutsOf(board3.part).filter((l) => batteries.some((fn) => l.there.includes(fn.id)));
  const open = bays3.filter((bay) => charged.some((l) => bays3.every((b) => differs(l, b) === (b === bay))));
  return [
    {
      rule: "bay.no-battery",
      about: ["board"],
      facts: {
        machine: thingOf(board3),
        bays: open.map((b) => b.setting.label),
        isSeen: bays3.every((b) => b.isSeen)
      }
    }
  ];
};
var differs = (layout, bay) => layout.holds[bay.setting.id] !== bay.holds;

// src/lib/core/rules/drives.ts
var alike = [
  ["st506", "rll", "esdi"],
  ["xta", "ata", "cd-panel", "one-cable"]
];
var looksLike = (a, b) => a !== b && alike.some((group) => group.includes(a) && group.includes(b));
var diskInterface = (s2) => cablesOf(s2.kit).flatMap(({ drive, controller, told }) => {
  const needs = drive.part.drive.interface;
  const it2 = thingOf(drive);
  const out2 = controller ? null : driveOut(s2, drive);
  if (out2) return [out2];
  if (controller && carries(controller, needs) && !controller.isOn)
    return [
      {
        rule: "disk.interface",
        about: [drive.item.id, { item: controller.item, function: controller.fn.id }],
        facts: { drive: it2, needs, why: "off", controller: controller.owner }
      }
    ];
  if (controller && speaks(controller, needs)) return [];
  if (controller && carries(controller, needs))
    return [
      {
        rule: "disk.coding",
        about: [drive.item.id, { item: controller.item, function: controller.fn.id }],
        facts: {
          drive: it2,
          controller: controller.owner,
          drives: needs === "rll" ? "rll" : "mfm"
        }
      }
    ];
  const about2 = [drive.item.id, ...controller && told ? [controller.item] : []];
  if (s2.kit.controllers.some((c) => c.isOn && carries(c, needs)))
    return [{ rule: "disk.interface", about: about2, facts: { drive: it2, needs, why: "full" } }];
  const [twin] = s2.kit.controllers.flatMap(({ owner, fn }) => {
    const speaks2 = fn.speaks?.find((x) => looksLike(x, needs));
    return speaks2 ? [{ owner, speaks: speaks2 }] : [];
  });
  return [
    {
      rule: "disk.interface",
      about: about2,
      facts: {
        drive: it2,
        needs,
        why: "other",
        controller: controller && controller.owner,
        trap: twin ? { controller: twin.owner, speaks: twin.speaks } : null
      }
    }
  ];
});
var twice = (s2) => {
  const on = s2.kit.controllers.filter((c) => c.isOn && c.fn.kind === "floppy");
  return on.length > 1 && on.some((c) => c.onBoard) ? [
    {
      rule: "disk.controller-twice",
      about: on.map((c) => ({ item: c.item, function: c.fn.id })),
      facts: { controllers: on.map((c) => c.owner) }
    }
  ] : [];
};
var floppies2 = (s2) => cablesOf(s2.kit).flatMap((c) => {
  const { interface: speaks2, floppyKiB } = c.drive.part.drive;
  return speaks2 === "floppy" && floppyKiB ? [{ ...c, kib: floppyKiB }] : [];
});
var worked = (s2, { drive }) => {
  const tries = triedOnBoard(drive.item, s2.kit.build.board.part);
  return tries.works ? tries : null;
};
var triedInVain = (s2) => s2.kit.drives.flatMap((drive) => {
  const { works, not, last } = triedOnBoard(drive.item, s2.kit.build.board.part);
  return not && !works ? [{ rule: "drive.tried", about: [drive.item.id], facts: { drive: thingOf(drive), not, last } }] : [];
});
var floppyRates = (s2) => floppies2(s2).flatMap((c) => {
  const { controller, kib: kib4, drive } = c;
  if (!controller || floppyRate(kib4) <= controllerRate(controller.fn.floppyKiB)) return [];
  return [
    {
      rule: "floppy.rate",
      severity: worked(s2, c) ? "caution" : "clash",
      about: [drive.item.id, controller.item],
      facts: {
        drive: thingOf(drive),
        kib: kib4,
        controller: controller.owner,
        rate: controllerRate(controller.fn.floppyKiB),
        needed: floppyRate(kib4),
        worked: worked(s2, c)
      }
    }
  ];
});
var floppyBios = (s2) => {
  const bios2 = s2.kit.firmware;
  const knows = bios2?.firmware?.floppyKiB;
  if (!bios2 || !knows) return [];
  return floppies2(s2).filter((c) => c.kib > knows && c.controller && !hasOwnRom(s2.kit, c.controller)).map((c) => {
    const driverHelps = biosTakes(knows, c.kib) === "driver";
    return {
      rule: "floppy.bios",
      severity: driverHelps || worked(s2, c) ? "caution" : "clash",
      about: [c.drive.item.id],
      facts: {
        drive: thingOf(c.drive),
        kib: c.kib,
        bios: bios2.name,
        knows,
        driverHelps,
        worked: worked(s2, c)
      }
    };
  });
};
var floppyDosRule = (s2) => {
  const { dos } = systemOf(s2.kit.build.brief.os);
  if (dos === null) return [];
  return floppies2(s2).filter((c) => floppyDos(c.kib) > dos).map((c) => ({
    rule: "floppy.dos",
    about: [c.drive.item.id],
    facts: { drive: thingOf(c.drive), kib: c.kib, dos, needs: floppyDos(c.kib) }
  }));
};
var cabling = (s2) => chainsOf(s2.kit).flatMap((chain3) => faultsOf(chain3));
var bringsLead = ({ kit }) => kit.adapters.some((a) => [a.part.adapter?.from, a.part.adapter?.to].includes("ata-44"));
function powerless(s2, plug, controller) {
  if (plug === "cable") return controller && !controller.fn.feeds && !bringsLead(s2) ? "cable" : null;
  const isLead = plug === "large" || plug === "small";
  return isLead && s2.kit.facts.closed && controller?.fn.feeds ? "no-lead" : null;
}
var power = (s2) => cablesOf(s2.kit).flatMap(({ drive, controller }) => {
  const { plug } = drive.part.drive;
  const { supply } = s2.kit;
  const leads = supply?.part.supply.plugs;
  if (plug === "slot" && controller && (controller.onBoard || !s2.m.find(controller.item)?.slot))
    return [
      {
        rule: "disk.power",
        about: [drive.item.id, controller.item],
        facts: { drive: thingOf(drive), why: "slot", controller: controller.owner }
      }
    ];
  const none = powerless(s2, plug, controller);
  if (none && controller)
    return [
      {
        rule: "disk.power",
        about: [drive.item.id, controller.item],
        facts: { drive: thingOf(drive), why: none, controller: controller.owner }
      }
    ];
  if (plug === "small" && supply && leads && leads.small === 0 && leads.large > 0)
    return [
      {
        rule: "disk.power",
        severity: "note",
        about: [drive.item.id],
        facts: { drive: thingOf(drive), why: "adapter", supply: thingOf(supply) }
      }
    ];
  return [];
});
var bays = (s2) => placeDrives(s2.kit).flatMap(({ drive, bay, rails: rails2 }) => {
  const { chassis } = s2.kit;
  if (bay === null && chassis)
    return [
      {
        rule: "bay.size",
        about: [drive.item.id, chassis.item.id],
        facts: {
          drive: thingOf(drive),
          bay: drive.part.drive.bay,
          chassis: thingOf(chassis)
        }
      }
    ];
  return rails2 === "missing" ? [{ rule: "bay.rails", about: [drive.item.id], facts: { drive: thingOf(drive) } }] : [];
});
var driveRules = [
  diskInterface,
  twice,
  floppyRates,
  triedInVain,
  floppyBios,
  floppyDosRule,
  cabling,
  power,
  bays,
  noBattery
];

// src/lib/core/rules/registry.ts
var fit = (view) => ({ stage: "fit", view });
var at = (stage) => ({ stage });
var entry = (place2, severity, more = {}) => ({
  place: place2,
  severity: typeof severity === "string" ? [severity] : severity,
  about: "machine",
  ...more
});
var slots = fit("slots");
var memory = fit("memory");
var picture = fit("picture");
var drives2 = fit("drives");
var power2 = fit("power");
var enclosure = { enclosure: true };
var program = { about: "program" };
var programOf = (severity) => entry(at("brief"), severity, program);
var registry = {
  "line.irq": entry(at("lines"), "clash"),
  "line.dma": entry(at("lines"), "clash"),
  "line.io": entry(at("lines"), "clash"),
  "line.memory": entry(at("lines"), "clash"),
  "line.more": entry(at("lines"), "clash"),
  "line.share-unused": entry(at("lines"), "caution"),
  "line.share-idle": entry(at("lines"), "caution"),
  "slot.reach": entry(slots, "clash"),
  "rom.window": entry(at("lines"), "clash"),
  "rom.16bit": entry(at("lines"), "caution"),
  "pci.interrupt": entry(at("lines"), "clash"),
  "audio.profile": entry(at("lines"), ["clash", "note"], program),
  "serial.buffer": entry(at("lines"), "note"),
  "port.numbering": entry(at("lines"), "note"),
  "acpi.irq9": entry(at("lines"), "caution"),
  "unknown.lines": entry(at("lines"), "caution", { hides: "lines" }),
  "unknown.routing": entry(at("lines"), "caution", { hides: "lines" }),
  "slot.kind": entry(slots, ["clash", "stop"]),
  "slot.width": entry(slots, ["caution", "note", "clash"]),
  "slot.untried": entry(slots, "caution"),
  "slot.taken": entry(slots, "clash"),
  "slot.shared": entry(slots, "clash"),
  "slot.none": entry(slots, "caution", { hides: "lines" }),
  "slot.length": entry(slots, "clash", enclosure),
  "slot.skirt": entry(slots, "clash"),
  "cpu.socket": entry(slots, "clash"),
  "cpu.voltage": entry(slots, "stop"),
  "cpu.voltage-low": entry(slots, "clash"),
  "cpu.voltage-unknown": entry(slots, "stop"),
  "cpu.carrier": entry(slots, "clash"),
  "cpu.writes": entry(slots, ["clash", "caution", "note"]),
  "cpu.split": entry(slots, "clash"),
  "cpu.clock": entry(slots, "clash"),
  "cpu.bus": entry(slots, "caution"),
  "cpu.slow": entry(slots, "note"),
  "cpu.multiplier": entry(slots, "note"),
  "fpu.kind": entry(slots, "clash"),
  "cpu.oscillator": entry(slots, "caution"),
  "fpu.switch": entry(slots, "clash"),
  "bay.no-battery": entry(slots, "note"),
  "bay.out": entry(drives2, "note"),
  "vlb.load": entry(slots, "clash"),
  "vlb.speed": entry(slots, "caution"),
  "isa.clock": entry(slots, ["caution", "clash"]),
  "pnp.nobios": entry(slots, "caution"),
  "battery.leak": entry(slots, "caution"),
  "clock.century": entry(slots, "note"),
  "keyboard.protocol": entry(slots, "clash", enclosure),
  "keyboard.switch": entry(slots, "note", enclosure),
  "keyboard.plug": entry(slots, "caution", enclosure),
  "unknown.board": entry(slots, "caution", { hides: "other", partBoard: true }),
  "memory.bank": entry(memory, "clash"),
  "memory.mixed": entry(memory, ["clash", "caution", "note"]),
  "memory.loose": entry(memory, ["note", "clash"]),
  "memory.first": entry(memory, ["clash", "caution"]),
  "memory.filling": entry(memory, "clash"),
  "memory.kind": entry(memory, "clash"),
  "memory.edo": entry(memory, "caution"),
  "memory.speed": entry(memory, "caution"),
  "memory.parity": entry(memory, ["note", "clash"]),
  "memory.card": entry(memory, ["clash", "caution"]),
  "memory.backfill": entry(memory, "caution"),
  "memory.sides": entry(memory, "caution"),
  "memory.reach": entry(memory, "note"),
  "memory.shown": entry(memory, "note"),
  "dma.reach16m": entry(memory, "caution"),
  "video.danger": entry(picture, "stop"),
  "video.signal": entry(picture, "clash"),
  "video.modes": entry(picture, "note"),
  "video.flat": entry(picture, "note"),
  "video.grey": entry(picture, "note"),
  "video.switch": entry(picture, ["clash", "note"]),
  "video.two": entry(picture, "clash"),
  "video.second": entry(picture, "caution"),
  "video.pass": entry(picture, "clash"),
  "disk.interface": entry(drives2, "clash"),
  "disk.coding": entry(drives2, "caution", { notPlanned: true }),
  "disk.controller-twice": entry(drives2, "caution"),
  "disk.power": entry(drives2, ["clash", "note"]),
  "disk.rom": entry(drives2, "clash"),
  "disk.boot": entry(at("disks"), "note"),
  "rom.unscanned": entry(drives2, "clash"),
  "bay.size": entry(drives2, "clash", enclosure),
  "bay.rails": entry(drives2, "note", enclosure),
  "ata.select": entry(drives2, ["clash", "caution", "note"]),
  "st506.select": entry(drives2, ["clash", "caution"]),
  "scsi.id": entry(drives2, ["clash", "note"]),
  "scsi.termination": entry(drives2, ["clash", "note"]),
  "scsi.signals": entry(drives2, ["stop", "caution"]),
  "scsi.width": entry(drives2, "note"),
  "scsi.power": entry(drives2, "caution"),
  "power.minus5-dram": entry(power2, "stop", enclosure),
  "power.rail": entry(power2, "clash", enclosure),
  "power.start": entry(power2, "caution", enclosure),
  "power.rails": entry(power2, "stop"),
  "power.least": entry(power2, "caution", enclosure),
  "power.minus5": entry(power2, "clash", enclosure),
  "power.plugs": entry(power2, "clash", enclosure),
  "power.form": entry(power2, ["clash", "caution"], enclosure),
  "bay.supply": entry(power2, "caution", enclosure),
  "bay.board": entry(power2, "clash", enclosure),
  "disk.limit": entry(at("disks"), ["caution", "clash"]),
  "disk.type": entry(at("disks"), "note"),
  "disk.setup": entry(at("disks"), ["clash", "caution"]),
  "disk.firmware-base": entry(at("disks"), "clash"),
  "floppy.rate": entry(at("disks"), ["clash", "caution"]),
  "drive.tried": entry(at("disks"), "caution"),
  "floppy.bios": entry(at("disks"), ["clash", "caution"]),
  "floppy.dos": entry(at("disks"), "clash"),
  "floppy.cable": entry(at("disks"), ["clash", "caution"]),
  "unknown.bios": entry(at("disks"), "caution", { hides: "other" }),
  "part.constraint": entry(at("switches"), "clash"),
  "setting.unseen": entry(at("switches"), "note", { hides: "lines" }),
  "setting.unknown": entry(at("switches"), "caution", { hides: "lines" }),
  "evidence.guess": entry(at("switches"), "caution", { hides: "lines" }),
  "evidence.conflict": entry(at("switches"), "caution"),
  switch: entry(at("switches"), ["clash", "stop", "caution", "note"]),
  "part.bad": entry(at("parts"), "clash"),
  "part.borrowed": entry(at("parts"), "note"),
  "kit.missing": entry(at("parts"), "note", { hides: "other" }),
  "period.early": entry(fit("time"), ["caution", "note"], { about: "period" }),
  "period.late": entry(fit("time"), "note", { about: "period" }),
  "brief.off": entry(at("brief"), "clash"),
  "brief.wish": entry(at("brief"), "caution", { about: "wish" }),
  "os.cpu": entry(at("brief"), "clash"),
  "os.memory": entry(at("brief"), "clash"),
  "os.partition": entry(at("brief"), "caution"),
  "os.disk": entry(at("brief"), "clash"),
  "os.driver": entry(at("brief"), ["clash", "caution"]),
  "software.cpu": programOf("clash"),
  "software.slow": programOf(["clash", "caution"]),
  "software.fast": programOf(["clash", "caution"]),
  "software.fpu": programOf(["clash", "caution"]),
  "software.base": programOf("clash"),
  "software.extended": programOf("clash"),
  "software.expanded": programOf("clash"),
  "software.display": programOf("clash"),
  "software.audio": programOf(["clash", "caution"]),
  "software.disk": programOf("clash"),
  "software.cdrom": programOf("clash"),
  "software.floppy": programOf("caution"),
  "software.ports": programOf(["clash", "caution"]),
  "software.dos": programOf("clash"),
  "software.windows": programOf("clash"),
  "video.memory": programOf("clash")
};
var ruleIds = Object.keys(registry);

// src/lib/core/rules/finding.ts
function findingOf({ about: about2, severity, key, fixes = [], line: line2, ...rest }) {
  const subjects = about2.map((a) => typeof a === "string" ? { item: a } : a);
  const where2 = subjects.map((s2) => [s2.item, s2.function ?? s2.setting ?? s2.slot ?? ""].join("/"));
  const name2 = key === void 0 ? rest.rule : `${rest.rule}.${key}`;
  const extent2 = line2 ? ` ${line2.resource} ${line2.from}` : "";
  return {
    id: `${name2}${extent2} ${where2.join(" ")}`.trim(),
    severity: severity ?? registry[rest.rule].severity[0],
    subjects,
    fixes,
    ...line2 ? { line: line2 } : {},
    ...rest
  };
}

// src/lib/core/rules/fit.ts
var MOST_SLOTS = 2;
var freeSlotFixes = ({ m, parts: parts2 }, part, item) => freeSlots(m.build, parts2, part, item).filter((slot2) => slot2.id !== m.find(item)?.slot?.id).slice(0, MOST_SLOTS).map((slot2) => slotFix(item, slot2));
var isSeated = (f) => f.slot !== void 0;
var slotName = ({ slot: slot2 }) => slot2.label ?? slot2.id;
var seatOfCard = (f) => [{ item: f.item.id, slot: f.slot.id }];
var inUse = ({ at: at2 }, f) => f.part.functions.length === 0 || f.part.functions.some((fn) => isOn(f, fn, at2));
var slotKind = (s2) => s2.m.fitted.filter(isSeated).flatMap((f) => {
  const { misfit } = f;
  if (!misfit || !inUse(s2, f)) return [];
  const common3 = {
    about: seatOfCard(f),
    fixes: freeSlotFixes(s2, f.part, f.item.id)
  };
  if (misfit.why === "eight-bit") return [];
  return [
    {
      rule: "slot.kind",
      severity: misfit.why === "memory-board" ? "stop" : "clash",
      ...common3,
      facts: { card: thingOf(f), slot: slotName(f), why: misfit }
    }
  ];
});
var CLAIMED = { yes: "works", no: "cannot", untried: "untried" };
var WIDTH_SEVERITY = { works: "note", untried: "caution", cannot: "clash" };
var slotNarrow = (s2) => s2.m.fitted.filter(isSeated).flatMap((f) => {
  if (f.slot.bus !== "isa8" || f.part.card?.bus !== "isa16") return [];
  const claim = f.part.card.fallback8;
  const { same, other } = triedHere(f.item, s2.m.build.board.part, f.slot, knownIsaClock(s2.kit));
  const told = same.works && same.not ? "untried" : same.works ? "works" : same.not ? "cannot" : f.misfit?.why !== "eight-bit" && claim === "no" ? "untried" : CLAIMED[claim];
  if (told === "cannot" && !inUse(s2, f)) return [];
  return [
    {
      rule: "slot.width",
      severity: WIDTH_SEVERITY[told],
      about: seatOfCard(f),
      facts: { card: thingOf(f), slot: slotName(f), state: told, claim, same, other },
      ...told === "cannot" ? { fixes: freeSlotFixes(s2, f.part, f.item.id) } : {}
    }
  ];
});
var slotUntried = (s2) => s2.m.fitted.filter(isSeated).flatMap((f) => {
  const why = !f.misfit ? untried(f.part, f.slot) : null;
  if (!why) return [];
  return [
    {
      rule: "slot.untried",
      key: why,
      about: seatOfCard(f),
      facts: { card: thingOf(f), slot: slotName(f), why },
      fixes: freeSlotFixes(s2, f.part, f.item.id)
    }
  ];
});
var slotTaken = ({ m }) => {
  const seated2 = m.fitted.filter(isSeated);
  return seated2.flatMap(
    (a, i) => seated2.slice(i + 1).flatMap((b) => {
      const about2 = [...seatOfCard(a), ...seatOfCard(b)];
      const both = { a: thingOf(a), b: thingOf(b) };
      if (a.slot.id === b.slot.id)
        return [{ rule: "slot.taken", about: about2, facts: { ...both, slot: slotName(a) } }];
      const shared = a.slot.bracket !== void 0 && a.slot.bracket === b.slot.bracket;
      return excludeEachOther({ part: a.part, slot: a.slot }, { part: b.part, slot: b.slot }) ? [
        {
          rule: "slot.shared",
          about: about2,
          facts: {
            ...both,
            slotA: slotName(a),
            slotB: slotName(b),
            why: shared ? "bracket" : "thick"
          }
        }
      ] : [];
    })
  );
};
var unseated = (s2) => s2.m.build.items.flatMap((item) => {
  const part = entryOf(s2.parts, item.part);
  if (!part.card || s2.m.find(item.id)) return [];
  return [
    {
      rule: "slot.none",
      about: [item.id],
      facts: {
        card: thingOf({ part, title: item.label ?? part.name }),
        free: freeSlots(s2.m.build, s2.parts, part, item.id).length
      },
      fixes: freeSlotFixes(s2, part, item.id)
    }
  ];
});
var combination = ({ m, at: at2 }) => m.fitted.flatMap((f) => {
  const chosen = {};
  for (const setting of f.part.settings) {
    const position = at2(f.item.id, setting.id);
    if (position !== void 0) chosen[setting.id] = position;
  }
  return f.part.constraints.filter((constraint) => forbidden({ ...f.part, constraints: [constraint] }, chosen)).map((constraint) => {
    const settings2 = "allow" in constraint ? constraint.allow.settings : "forbid" in constraint ? Object.keys(constraint.forbid) : [];
    return {
      rule: hasDiskRom(f.part) ? "disk.firmware-base" : "part.constraint",
      about: settings2.map((setting) => ({ item: f.item.id, setting })),
      facts: { card: thingOf(f), why: constraint.why }
    };
  });
});
var hasDiskRom = ({ functions: functions2 }) => functions2.some((f) => f.speaks) && functions2.some((f) => f.claims.some((c) => c.resource === "memory"));
var notRecorded = ({ m }) => m.fitted.flatMap((f) => {
  const unseen = f.part.settings.filter(
    (s2) => isByHand(f.part, s2) && s2.known && !(s2.id in f.item.asFound || s2.id in f.item.chosen) && !isFixed(f, s2)
  );
  return unseen.length ? [
    {
      rule: "setting.unseen",
      about: unseen.map((s2) => ({ item: f.item.id, setting: s2.id })),
      facts: { part: thingOf(f), settings: unseen.map((s2) => s2.label) }
    }
  ] : [];
});
var guessed = ({ m, at: at2 }) => m.fitted.flatMap(
  (f) => f.part.settings.filter((s2) => s2.known && s2.evidence?.length && s2.evidence.every((e) => e.source === "guess")).filter((s2) => at2(f.item.id, s2.id) !== s2.default).map((s2) => ({
    rule: "evidence.guess",
    about: [{ item: f.item.id, setting: s2.id }],
    facts: { part: thingOf(f), setting: s2.label }
  }))
);
var fitRules = [
  slotKind,
  slotUntried,
  slotTaken,
  slotNarrow,
  unseated,
  combination,
  guessed,
  notRecorded
];

// src/lib/core/rules/lines.ts
var subject = (line2) => ({ item: line2.item, function: line2.function });
var extent = (line2) => ({
  resource: line2.resource,
  from: line2.value,
  to: line2.value + line2.length - 1
});
var MOST_CLASHES = 200;
var MOST_WITH_FIXES = 40;
var clashRule = { irq: "line.irq", dma: "line.dma", io: "line.io", memory: "line.memory" };
var clashes = ({ m, at: at2, lines: lines3 }) => {
  const context = sharingContext(m);
  const all = pairs2(lines3).flatMap(([a, b]) => {
    const relation = relate(a, b, context);
    return relation?.verdict === "clash" ? [{ a, b, relation }] : [];
  });
  const listed = all.slice(0, MOST_CLASHES).map(({ a, b, relation }, i) => {
    const [first, second] = inOrder(a, b);
    return {
      rule: clashRule[a.resource],
      about: [subject(a), subject(b)],
      facts: {
        a: ownerOfLine(m, a),
        b: ownerOfLine(m, b),
        lineA: lineText(first),
        lineB: lineText(second),
        how: howTheyMeet(a, b),
        reason: relation.kind === "apart" ? { kind: "apart" } : whyNever(a, b)
      },
      fixes: [
        ...canIdle(a, b) ? [neverTogether(a, b)] : [],
        ...i < MOST_WITH_FIXES ? moveFixes(m, at2, lines3, a, b) : []
      ],
      line: extent(a)
    };
  });
  return all.length > listed.length ? [
    ...listed,
    {
      rule: "line.more",
      about: [],
      facts: { more: all.length - listed.length, listed: MOST_CLASHES }
    }
  ] : listed;
};
function howTheyMeet(a, b) {
  if (a.resource === "irq" || a.resource === "dma") return "driven-twice";
  return a.value < b.value + b.length && b.value < a.value + a.length ? "overlap" : "alias";
}
var inOrder = (a, b) => howTheyMeet(a, b) === "alias" && a.value < b.value ? [b, a] : [a, b];
function whyNever(a, b) {
  if (a.resource === "io") {
    const port2 = firstCommonPort(a, b) ?? a.value;
    const mask = a.mask & b.mask;
    return mask === 65535 ? { kind: "port", port: hex(port2), mask: null } : { kind: "port", port: hex(port2 & mask), mask: hex(mask) };
  }
  if (a.resource === "memory") {
    const from = Math.max(a.value, b.value);
    const to = Math.min(a.value + a.length, b.value + b.length);
    return { kind: "window", range: hexRange(from, to - from, 5) };
  }
  if (a.sharing === "level" || b.sharing === "level") return { kind: "pci-isa" };
  return { kind: a.value === 9 && a.printed !== b.printed ? "irq-2-9" : "edge" };
}
var canIdle = (a, b) => a.sharing === "idle" && b.sharing === "idle" && !a.resident && !b.resident && a.item !== b.item;
var neverTogether = (a, b) => ({
  label: { kind: "never-together" },
  fix: { action: "never-together", a: subject(a), b: subject(b) }
});
function moveFixes(m, at2, lines3, a, b) {
  return [a, b].flatMap((line2) => {
    const owner = m.get(line2.item);
    const claim = there(byId(owner.part.functions, line2.function).claims[line2.index]);
    const fixes = [];
    for (const { item, setting } of claimSettings(m, owner, claim)) {
      const holder = m.get(item);
      const known3 = byId(holder.part.settings, setting);
      if (isFixed(holder, known3)) continue;
      for (const position of known3.positions) {
        if (fixes.length >= 2) break;
        if (position.id === at2(item, setting)) continue;
        const moved = (i, s2) => i === item && s2 === setting ? position.id : at2(i, s2);
        const value = claimValue(m, owner, claim, moved);
        if (value === null || !quiet(m, moved, lines3, item, setting)) continue;
        const fn = byId(owner.part.functions, line2.function);
        fixes.push({
          label: {
            kind: "line",
            function: fn.label,
            line: lineText(lineOf(m, owner, fn, line2.index, value))
          },
          fix: { action: "set", item, setting, position: position.id }
        });
      }
    }
    return fixes;
  });
}
function quiet(m, moved, lines3, item, setting) {
  const touched = m.fitted.filter(
    (f) => f.item.id === item || item === m.board.item.id && f.slot?.routing !== void 0
  );
  const own = linesAt(m, moved, touched);
  const rest = lines3.filter((line2) => !touched.some((f) => f.item.id === line2.item));
  const after = [...rest, ...own];
  const context = sharingContext(m);
  return own.every((line2) => {
    const owner = m.get(line2.item);
    const claim = there(byId(owner.part.functions, line2.function).claims[line2.index]);
    if (!claimSettings(m, owner, claim).some((s2) => s2.item === item && s2.setting === setting)) return true;
    return unreachable(m, owner, line2) === null && after.every((other) => other === line2 || relate(line2, other, context)?.verdict !== "clash");
  });
}
var shares = ({ m, at: at2, lines: lines3 }) => {
  const context = sharingContext(m);
  return pairs2(lines3).flatMap(([a, b]) => {
    const relation = relate(a, b, context);
    if (!relation?.cost) return [];
    const common3 = {
      about: [subject(a), subject(b)],
      fixes: moveFixes(m, at2, lines3, a, b).slice(0, 2),
      line: extent(a)
    };
    if (relation.kind !== "unused")
      return [
        {
          rule: "line.share-idle",
          ...common3,
          facts: { line: lineText(a), a: ownerOfLine(m, a), b: ownerOfLine(m, b) }
        }
      ];
    const [quietOne, other] = a.sharing === "unused" ? [a, b] : [b, a];
    return [
      {
        rule: "line.share-unused",
        ...common3,
        facts: { line: lineText(a), quiet: ownerOfLine(m, quietOne), other: ownerOfLine(m, other) }
      }
    ];
  });
};
var reach = ({ m, lines: lines3 }) => lines3.flatMap((line2) => {
  const owner = m.get(line2.item);
  const why = owner.misfit ? null : unreachable(m, owner, line2);
  return why ? [
    {
      rule: line2.resource === "memory" ? "rom.window" : "slot.reach",
      about: [subject(line2)],
      facts: { owner: ownerOfLine(m, line2), line: lineText(line2), why },
      line: extent(line2)
    }
  ] : [];
});
var BLOCK = 128 * 1024;
var noInterrupt = ({ m, at: at2 }) => m.fitted.flatMap(
  (f) => f.part.functions.filter((fn) => lacksInterrupt(m, f, fn, at2)).map((fn) => ({
    rule: "pci.interrupt",
    about: [{ item: f.item.id, function: fn.id }],
    facts: { card: thingOf(f), function: fn.label }
  }))
);
var mixedWidth = ({ m, lines: lines3 }) => {
  const windows2 = lines3.filter(
    (l) => l.resource === "memory" && l.decode === "isa" && !l.shadowed && l.value < 1048576
  );
  const told = /* @__PURE__ */ new Set();
  return pairs2(windows2).flatMap(([a, b]) => {
    if (a.item === b.item || a.width === b.width) return [];
    const blocks = (l) => [
      Math.floor(l.value / BLOCK),
      Math.floor((l.value + l.length - 1) / BLOCK)
    ];
    const [a0, a1] = blocks(a);
    const [b0, b1] = blocks(b);
    if (a0 > b1 || b0 > a1) return [];
    const [narrow, wide] = a.width === 8 ? [a, b] : [b, a];
    const block = Math.max(a0, b0) * BLOCK;
    const key = `${block} ${narrow.item}/${narrow.function} ${wide.item}/${wide.function}`;
    if (told.has(key)) return [];
    told.add(key);
    return [
      {
        rule: "rom.16bit",
        about: [subject(narrow), subject(wide)],
        facts: {
          wide: ownerOfLine(m, wide),
          narrow: ownerOfLine(m, narrow),
          block: hexRange(block, BLOCK, 5)
        },
        fixes: narrowFixes(m, wide),
        line: extent(narrow)
      }
    ];
  });
};
function narrowFixes(m, wide) {
  const owner = m.get(wide.item);
  const at2 = standing(m);
  return owner.part.settings.flatMap((setting) => {
    if (isFixed(owner, setting)) return [];
    return setting.positions.flatMap((position) => {
      if (position.id === at2(wide.item, setting.id)) return [];
      const moved = (i, s2) => i === wide.item && s2 === setting.id ? position.id : at2(i, s2);
      const after = linesAt(m, moved).filter((l) => l.item === wide.item && l.resource === "memory");
      const covered = after.some((l) => l.value === wide.value && l.width === 8);
      if (!covered || after.some((l) => l.width === 16 && l.value === wide.value)) return [];
      const fix = { action: "set", item: wide.item, setting: setting.id, position: position.id };
      return [{ label: { kind: "position", setting: setting.label, position: position.label }, fix }];
    });
  });
}
function pairs2(lines3) {
  const out2 = [];
  for (let i = 0; i < lines3.length; i++)
    for (let j = i + 1; j < lines3.length; j++)
      if (there(lines3[i]).resource === there(lines3[j]).resource) out2.push([there(lines3[i]), there(lines3[j])]);
  return out2;
}
var POWER_MANAGEMENT = 1998;
var acpi = ({ m, kit, lines: lines3 }) => {
  const bios2 = kit.firmware;
  if (!bios2?.firmware || bios2.firmware.year < POWER_MANAGEMENT) return [];
  return lines3.filter((l) => l.resource === "irq" && l.value === 9 && l.sharing !== "level" && m.find(l.item)?.slot).map((l) => ({
    rule: "acpi.irq9",
    about: [subject(l)],
    facts: { bios: bios2.name, owner: ownerOfLine(m, l) },
    line: extent(l)
  }));
};
var wanted = ({ m, at: at2 }) => m.build.brief.mustBeOn.flatMap((ref) => {
  const fitted = m.find(ref.item);
  const fn = fitted?.part.functions.find((f) => f.id === ref.function);
  if (!fitted || !fn || isOn(fitted, fn, at2)) return [];
  return [{ rule: "brief.off", about: [ref], facts: { card: thingOf(fitted), function: fn.label } }];
});
var lineRules = [clashes, reach, noInterrupt, shares, mixedWidth, acpi, wanted];

// src/lib/core/rules/memory.ts
function banks(s2) {
  return (s2.kit.memory?.banks ?? []).map((bank2) => {
    const list2 = s2.kit.banks.get(bank2.id) ?? [];
    return {
      bank: bank2,
      list: list2,
      count: list2.reduce((n2, x) => n2 + x.count, 0),
      sizes: [...new Set(list2.map((x) => x.placed.part.module.kib))],
      items: list2.map((x) => x.placed.item.id),
      name: bank2.label ?? bank2.id
    };
  });
}
var differences2 = [
  ["size", "clash", (m) => m.kib],
  ["type", "clash", (m) => m.type],
  ["parity", "caution", (m) => m.parity ? "parity" : "plain"],
  ["speed", "note", (m) => m.ns]
];
var bank = (s2) => {
  const { memory: memory3 } = s2.kit;
  if (!memory3) return [];
  const all = banks(s2);
  const out2 = all.flatMap(({ bank: b, list: list2, count: count2, items, name: name2 }) => {
    if (!list2.length) return [];
    if (count2 !== b.sockets)
      return [
        {
          rule: "memory.bank",
          about: items,
          facts: { bank: name2, filled: count2, sockets: b.sockets, why: count2 < b.sockets ? "part" : "more" }
        }
      ];
    return differences2.flatMap(([what, severity, of2]) => {
      const values = [...new Set(list2.map((x) => String(of2(x.placed.part.module))))];
      return values.length > 1 ? [{ rule: "memory.mixed", key: what, severity, about: items, facts: { bank: name2, what, values } }] : [];
    });
  });
  for (const [id2, list2] of s2.kit.banks)
    if (!memory3.banks.some((b) => b.id === id2))
      out2.push({
        rule: "memory.loose",
        severity: id2 === "" ? "note" : "clash",
        about: list2.map((x) => x.placed.item.id),
        facts: { bank: id2 || null }
      });
  if (out2.some((c) => c.severity !== "note" && c.severity !== "caution") || !all.some((b) => b.list.length))
    return out2;
  const [first] = all;
  if (!memory3.fillings && !memory3.onboardKiB && first && !first.list.length) {
    const some = s2.kit.facts.slots.some((slot2) => slot2.bus === "pci");
    const filled = all.filter((b) => b.list.length);
    return [
      ...out2,
      {
        rule: "memory.first",
        severity: some ? "caution" : "clash",
        about: filled.flatMap((b) => b.items),
        facts: { bank: first.name, filled: filled.map((b) => b.name), some }
      }
    ];
  }
  const sizes = all.map((b) => b.sizes[0] ?? 0);
  if (knownFilling(memory3, sizes)) return out2;
  return [
    ...out2,
    {
      rule: "memory.filling",
      about: all.flatMap((b) => b.items),
      facts: {
        known: (memory3.fillings ?? []).filter((row2) => row2.some(Boolean)).map((row2) => row2.filter(Boolean))
      }
    }
  ];
};
var kind = (s2) => {
  const { memory: memory3 } = s2.kit;
  if (!memory3) return [];
  const { sizesKiB, types: types3 } = memory3;
  return banks(s2).flatMap(
    ({ bank: b, list: list2, name: name2 }) => list2.flatMap(({ placed }) => {
      const module = placed.part.module;
      const about2 = [placed.item.id];
      const common3 = { module: thingOf(placed), bank: name2 };
      const wrong = (why) => [
        { rule: "memory.kind", about: about2, facts: why }
      ];
      if (!b.forms.includes(module.form))
        return wrong({ ...common3, why: "form", takes: [...b.forms], is: module.form });
      if (sizesKiB.length && !sizesKiB.includes(module.kib))
        return wrong({ ...common3, why: "size", takes: [...sizesKiB] });
      if (types3.includes(module.type)) return [];
      return module.type === "edo" ? [{ rule: "memory.edo", about: about2, facts: { module: common3.module } }] : wrong({ ...common3, why: "type", type: module.type });
    })
  );
};
var speed = (s2) => {
  const board3 = s2.kit.memory?.ns ?? Infinity;
  const looked = (setting) => isLookedAt(s2.kit.build.board, setting);
  const { value: busMHz2, unseen } = clocksOf(s2.kit.board, s2.kit.cpu, s2.at, looked).bus;
  const isFast = busMHz2 !== null && !unseen && busMHz2 > SDRAM.fastAboveMHz;
  const atBus = isFast ? { busMHz: busMHz2, ns: SDRAM.fastNs } : null;
  return banks(s2).flatMap(
    ({ list: list2 }) => list2.flatMap(({ placed }) => {
      const { ns, type } = placed.part.module;
      const clock2 = type === "sdram" && atBus && atBus.ns < board3 ? atBus : null;
      const needed2 = clock2?.ns ?? board3;
      return ns > needed2 ? [
        {
          rule: "memory.speed",
          about: [placed.item.id],
          facts: { module: thingOf(placed), ns, needed: needed2, ...clock2 ? { busMHz: clock2.busMHz } : {} }
        }
      ] : [];
    })
  );
};
var parity = (s2) => {
  const without = [
    ...banks(s2).flatMap((b) => b.list.map((x) => x.placed)).filter((p) => !p.part.module.parity),
    // Of a card of which nobody knows it nothing is said.
    ...cardSteps(s2.kit).filter((c) => c.fn.parity === false).map((c) => c.card)
  ];
  if (!s2.kit.memory || !without.length || s2.kit.memory.parity === "off") return [];
  const required2 = s2.kit.memory.parity === "required";
  return [
    {
      rule: "memory.parity",
      severity: required2 ? "clash" : "note",
      about: without.map((p) => p.item.id),
      facts: { required: required2 }
    }
  ];
};
var sides2 = (s2) => {
  const filled = banks(s2).filter((b) => b.list.length);
  if (filled.length < 2) return [];
  return filled.slice(0, -1).flatMap(
    ({ list: list2, name: name2 }) => list2.filter(({ placed }) => placed.part.module.sides === 2 && placed.part.module.form === "simm72").map(({ placed }) => ({
      rule: "memory.sides",
      about: [placed.item.id],
      facts: { module: thingOf(placed), bank: name2 }
    }))
  );
};
var reach2 = (s2) => {
  const total = totalKiB(s2.kit);
  const family3 = s2.kit.cpu?.cpu?.family;
  const { memory: memory3 } = s2.kit;
  if (!memory3 || total === 0) return [];
  const limits2 = [
    ["cpu", family3 && families[family3].reachKiB],
    ["board", boardKiB(s2.kit) > memory3.maxKiB ? memory3.maxKiB : void 0],
    ["cache", memory3.cacheableKiB]
  ];
  return limits2.flatMap(
    ([by, limit]) => limit && total > limit ? [
      {
        rule: "memory.reach",
        key: by,
        about: ["board"],
        facts: { limit, total, by, family: family3 ?? "" }
      }
    ] : []
  );
};
var shown = (s2) => {
  const total = totalKiB(s2.kit);
  if (!s2.kit.memory || total === 0) return [];
  const { count: count2, extended } = shownMemory(total, s2.kit.memory);
  return count2 === total ? [] : [{ rule: "memory.shown", about: ["board"], facts: { count: count2, total, extended } }];
};
var dmaReach = (s2) => {
  if (totalKiB(s2.kit) <= 16 * 1024) return [];
  return s2.m.fitted.filter((f) => f.part.functions.some((fn) => fn.claims.some((c) => c.resource === "dma" && c.busMaster))).map((f) => ({ rule: "dma.reach16m", about: [f.item.id], facts: { card: thingOf(f) } }));
};
var cards = (s2) => cardSteps(s2.kit).flatMap(({ card, fn, kib: kib4, startKiB, endsKiB, fits, isSeen }) => {
  if (fits === "behind" || startKiB === null || !fn.startKiB) return [];
  const { setting, values } = fn.startKiB;
  const right = Object.keys(values).find((id2) => values[id2] === endsKiB);
  if (fits === "unfilled")
    return [
      {
        rule: "memory.backfill",
        key: card.item.id,
        about: [{ item: card.item.id, setting }],
        facts: { card: thingOf(card), endsKiB, isSeen, canFill: right !== void 0 },
        fixes: right === void 0 ? [] : [setFix(s2, card.item.id, setting, right)]
      }
    ];
  return [
    {
      rule: "memory.card",
      key: card.item.id,
      severity: isSeen ? "clash" : "caution",
      about: [{ item: card.item.id, setting }],
      facts: { card: thingOf(card), startKiB, endsKiB, kib: kib4, isGap: fits === "gap", isSeen },
      fixes: right === void 0 ? [] : [setFix(s2, card.item.id, setting, right)]
    }
  ];
});
var memoryRules = [cards, bank, kind, speed, parity, sides2, reach2, shown, dmaReach];

// src/lib/core/rules/places.ts
var hidesSomething = ({ rule }) => registry[rule].hides !== void 0;

// src/lib/core/rules/ports.ts
var ORDER = {
  parallel: [
    { base: 956, usual: "LPT1" },
    { base: 888, usual: "LPT1" },
    { base: 632, usual: "LPT2" }
  ],
  serial: [
    { base: 1016, usual: "COM1" },
    { base: 760, usual: "COM2" }
  ]
};
var NAME = { parallel: "LPT", serial: "COM" };
var numbering = ({ m, lines: lines3 }) => ["parallel", "serial"].flatMap((kind2) => {
  const at2 = (base) => lines3.find((l) => l.resource === "io" && l.value === base && ownerOfLine(m, l).kind === kind2);
  const found = ORDER[kind2].flatMap(({ base, usual: usual3 }) => {
    const line2 = at2(base);
    return line2 ? [{ line: line2, base, usual: usual3 }] : [];
  });
  const named3 = found.map((f, i) => ({ ...f, name: `${NAME[kind2]}${i + 1}` }));
  if (named3.every((f) => f.name === f.usual)) return [];
  return [
    {
      rule: "port.numbering",
      key: kind2,
      about: named3.map((f) => ({ item: f.line.item, function: f.line.function })),
      facts: {
        ports: named3.map((f) => ({
          name: f.name,
          address: hex(f.base),
          usual: f.usual,
          owner: ownerOfLine(m, f.line)
        }))
      }
    }
  ];
});
var FAST_LINES = ["modem", "serial"];
var buffer = ({ m, kit, at: at2 }) => {
  const needy = kit.build.brief.profiles.filter(
    (p) => p.wants?.functions?.some((f) => FAST_LINES.includes(f))
  );
  if (!needy.length) return [];
  return m.fitted.flatMap(
    (f) => f.part.functions.flatMap((fn) => {
      const { uart } = fn;
      if (fn.kind !== "serial" || !uart || uart === "16550" || !isOn(f, fn, at2)) return [];
      return [
        {
          rule: "serial.buffer",
          about: [{ item: f.item.id, function: fn.id }],
          facts: { owner: ownerOf(m, f.item.id, fn.id), uart, needy: needy.map((p) => p.name) }
        }
      ];
    })
  );
};
var portRules = [numbering, buffer];

// src/lib/core/power/index.ts
var rails = ["v5", "v12", "v3"];
var named = { v5: "+5 V", v12: "+12 V", v3: "+3.3 V" };
var railName = (rail2) => named[rail2];
function powerOf(kit) {
  const fits = ["card", "drive", "memory", "cpu", "fpu", "keyboard"];
  const items = [
    { item: kit.build.board.id, title: kit.m.board.title, part: kit.board, count: 1 },
    ...kit.build.items.map((item) => {
      const part = entryOf(kit.parts, item.part);
      return { item: item.id, title: item.label ?? part.name, part, count: item.count ?? 1 };
    })
  ].filter(({ part }) => part.kind === "board" || fits.includes(part.kind));
  return sum2(items, kit.supply?.part.supply ?? null);
}
function sum2(items, supply) {
  const useOf = (rail2) => {
    const shares2 = items.map(({ item, title, part, count: count2 }) => ({
      item,
      title,
      amps: round((part.power?.[rail2] ?? 0) * count2)
    })).filter((s2) => s2.amps > 0).sort((a, b) => b.amps - a.amps);
    return {
      rail: rail2,
      shares: shares2,
      amps: round(shares2.reduce((n2, s2) => n2 + s2.amps, 0)),
      limit: supply?.rails[rail2] ?? null
    };
  };
  const uses = { v5: useOf("v5"), v12: useOf("v12"), v3: useOf("v3") };
  const more = items.reduce(
    (n2, { part, count: count2 }) => n2 + Math.max(0, (part.power?.start12 ?? 0) - (part.power?.v12 ?? 0)) * count2,
    0
  );
  const drives5 = items.filter((i) => i.part.kind === "drive");
  return {
    rails: rails.map((rail2) => uses[rail2]),
    amps: { v5: uses.v5.amps, v12: uses.v12.amps, v3: uses.v3.amps },
    start12: round(uses.v12.amps + more),
    minus5: items.filter((i) => i.part.power?.minus5 || i.part.board?.memory?.threeSupply).map((i) => i.title),
    plugs: {
      large: drives5.filter((d) => d.part.drive?.plug === "large").length,
      small: drives5.filter((d) => d.part.drive?.plug === "small").length
    }
  };
}
var round = (amps3) => Math.round(amps3 * 100) / 100;

// src/lib/core/rails/readings.ts
var row = (...rails2) => rails2.map((rail2, i) => ({ n: i + 1, rail: rail2 }));
var plugPins = {
  at: row("power-good", "+5", "+12", "-12", "ground", "ground", "ground", "ground", "-5", "+5", "+5", "+5"),
  atx20: row(
    "+3.3",
    "+3.3",
    "ground",
    "+5",
    "ground",
    "+5",
    "ground",
    "power-good",
    "standby",
    "+12",
    "+3.3",
    "-12",
    "ground",
    "switch-on",
    "ground",
    "ground",
    "ground",
    "-5",
    "+5",
    "+5"
  ),
  drive: row("+12", "ground", "ground", "+5"),
  // The order is the other way round than on the big plug.
  floppy: row("+5", "ground", "ground", "+12"),
  slot: [
    { n: 1, rail: "ground" },
    { n: 3, rail: "+5" },
    { n: 5, rail: "-5" },
    { n: 7, rail: "-12" },
    { n: 9, rail: "+12" },
    { n: 10, rail: "ground" },
    { n: 29, rail: "+5" },
    { n: 31, rail: "ground" }
  ]
};
var pinsFor = (plug, kind2) => plug === "slot" && kind2 === "volts" ? plugPins.slot.filter((p) => p.n === 29) : plugPins[plug];
var isOptional = (plug, rail2) => plug === "atx20" && rail2 === "-5";
var PREFIX = { "": 1, m: 1e-3, k: 1e3, K: 1e3, M: 1e6 };
function readOhms(text) {
  const said = text.trim();
  if (/^(open|ol|o\.l\.?|inf(inite)?|∞)$/i.test(said)) return { value: Infinity, isSteady: true };
  const m = /^(\d+(?:[.,]\d+)?)\s*([kKmM]?)(\d?)\s*(?:Ω|ohms?|r)?\s*(climbing|rising|falling|moving|↑|↓)?$/i.exec(
    said
  );
  if (!m) return null;
  if (m[3] && (/[.,]/.test(there(m[1])) || !m[2])) return null;
  const number = Number(`${there(m[1]).replace(",", ".")}${m[3] ? `.${m[3]}` : ""}`);
  return { value: number * there(PREFIX[there(m[2])]), isSteady: m[4] === void 0 };
}
function readVolts(text) {
  const m = /^([+\-−]?)\s*(\d{1,2}(?:[.,]\d{1,3})?)\s*V?\s*(climbing|rising|falling|moving|↑|↓)?$/i.exec(
    text.trim()
  );
  if (!m) return null;
  const sign = m[1] === "-" || m[1] === "\u2212" ? -1 : 1;
  return { value: sign * Number(there(m[2]).replace(",", ".")), isSteady: m[3] === void 0 };
}
var says = (verdict, why) => ({ verdict, why });
var isRight = (p) => p.says?.verdict === "pass" || p.says?.verdict === "edge";
var boardOhms = {
  "+5": { short: 2, normal: 100 },
  "+12": { short: 5, normal: 200, bare: 1e3 },
  "-12": { short: 5, normal: 200, bare: 1e3 },
  "-5": { short: 5, normal: 500 },
  "power-good": { short: 10, normal: 500 },
  "+3.3": { short: 1, normal: 20 }
};
var SUPPLY_NORMAL = 10;
var NEAR_NOTHING = 2;
function ohmsSay(rail2, read, { side, off, cards: cards2 }) {
  if (!off) return says("void", "power-on");
  if (!read.isSteady) return says("void", "moving");
  if (rail2 === "ground") return read.value < 1 ? says("pass", "ok") : says("suspicious", "lead");
  if (side === void 0) return says("void", "side");
  if (side === "supply") {
    if (rail2 === "switch-on" || rail2 === "none") return says("void", "not-a-rail");
    if (read.value < NEAR_NOTHING) return says("short", "short");
    return read.value < SUPPLY_NORMAL ? says("suspicious", "low-ohms") : says("pass", "ok");
  }
  const table = boardOhms[rail2];
  if (!table) return says("void", "not-a-rail");
  if (read.value < table.short) return says("short", "short");
  const normal = cards2 ? table.normal : table.bare ?? table.normal;
  return read.value < normal ? says("suspicious", "low-ohms") : says("pass", "ok");
}
var limits = {
  "+5": [4.75, 5.25],
  "+12": [11.4, 12.6],
  "-12": [10.8, 13.2],
  "-5": [4.5, 5.5],
  "+3.3": [3.14, 3.47],
  standby: [4.75, 5.25]
};
var EDGE = 0.01;
var GOOD_LOW = 0.4;
var GOOD_HIGH = 2.4;
var ABSENT2 = 0.1;
function voltsSay(rail2, read, { loaded }) {
  if (!read.isSteady) return says("void", "moving");
  if (rail2 === "power-good") {
    if (!loaded) return says("void", "no-load");
    if (read.value < GOOD_LOW) return says("fail", "held-low");
    return read.value < GOOD_HIGH ? says("fail", "between") : says("pass", "ok");
  }
  const range2 = limits[rail2];
  if (!range2) return says("void", "not-a-rail");
  const isNegative = rail2.startsWith("-");
  const value = isNegative ? -read.value : read.value;
  const [least2, most] = range2;
  if (Math.abs(read.value) < ABSENT2 * most) return says("fail", "absent");
  if (value < 0) return says("fail", "sign");
  if (!loaded && rail2 !== "standby") return says("void", "no-load");
  if (value < least2) return says("fail", "low");
  if (value > most) return says("fail", "high");
  return value < least2 * (1 + EDGE) || value > most * (1 - EDGE) ? says("edge", "edge") : says("pass", "ok");
}
function plugSays(plug, kind2, readings) {
  return pinsFor(plug, kind2).flatMap((pin) => {
    const text = readings.pins[pin.n];
    if (text === void 0) return [];
    const read = kind2 === "ohms" ? readOhms(text) : readVolts(text);
    const told = read && (kind2 === "ohms" ? ohmsSay(pin.rail, read, readings) : voltsSay(pin.rail, read, readings));
    return [{ ...pin, text, says: told }];
  });
}
var unique = (list2) => [...new Set(list2.map((p) => p.rail))];
function railAdvice(plug, kind2, read, side) {
  const of2 = (v) => read.filter((p) => p.says?.verdict === v);
  const shorts = unique(of2("short"));
  const rails2 = pinsFor(plug, kind2).map((p) => p.rail).filter((r) => r !== "ground" && r !== "switch-on" && !isOptional(plug, r));
  const passed = new Set(
    read.filter((p) => p.says && ["pass", "edge"].includes(p.says.verdict)).map((p) => p.rail)
  );
  const failed = unique(of2("fail"));
  const others = read.filter((p) => p.rail !== "power-good" && p.rail !== "ground");
  const goodHeld = of2("fail").some((p) => p.rail === "power-good");
  return [
    ...shorts.length ? [
      { what: "stop", rails: shorts },
      // Behind a pulled plug no card hangs on the supply, only what is on its other leads.
      { what: side === "supply" ? "leads" : "halve", rails: shorts }
    ] : [],
    ...kind2 === "volts" && goodHeld && others.length && others.every((p) => p.says?.verdict === "pass") ? [{ what: "supply" }] : failed.length ? [{ what: "stop", rails: failed }] : [],
    ...of2("suspicious").length ? [{ what: "compare", rails: unique(of2("suspicious")) }] : [],
    ...of2("void").some((p) => p.says?.why === "no-load") ? [{ what: "load" }] : [],
    ...of2("void").some((p) => p.says?.why !== "no-load" && p.says?.why !== "not-a-rail") ? [{ what: "again" }] : [],
    ...read.length && rails2.every((r) => passed.has(r)) && read.every(isRight) ? [{ what: "fine" }] : []
  ];
}
function railStops(build) {
  return PLUGS.flatMap((plug) => {
    const bad2 = ["ohms", "volts"].flatMap((kind2) => {
      const readings = build.rails?.[`${plug}-${kind2}`];
      return (readings ? plugSays(plug, kind2, readings) : []).filter(
        (p) => p.says?.verdict === "short" || p.says?.why === "high" || p.says?.why === "sign"
      );
    });
    return bad2.length ? [{ plug, rails: unique(bad2) }] : [];
  });
}

// src/lib/core/rails/mishap.ts
function afterMishap({ mishap, rails: rails2 }) {
  if (!mishap) return null;
  const readings = rails2?.["at-ohms"];
  const isSince = readings !== void 0 && readings.at > mishap.at;
  const passed = isSince && readings.side === "board" && railAdvice("at", "ohms", plugSays("at", "ohms", readings)).some((a) => a.what === "fine");
  return passed ? "checks" : "ohms";
}

// src/lib/core/rules/power.ts
var threeSupply = ({ kit, m }) => kit.supply?.part.supply?.rails.m5 === 0 && kit.facts.memory?.threeSupply ? [
  {
    rule: "power.minus5-dram",
    about: [kit.supply.item.id, "board"],
    facts: { supply: thingOf(kit.supply), board: thingOf(m.board) }
  }
] : [];
var rail = ({ kit }) => {
  const { supply } = kit;
  if (!supply) return [];
  return powerOf(kit).rails.flatMap(
    (r) => r.limit !== null && r.amps > r.limit && (r.limit > 0 || r.rail !== "v3") ? [
      {
        rule: "power.rail",
        about: [supply.item.id],
        facts: { supply: thingOf(supply), rail: railName(r.rail), amps: r.amps, limit: r.limit }
      }
    ] : []
  );
};
var start2 = ({ kit }) => {
  const { supply } = kit;
  if (!supply) return [];
  const limit = supply.part.supply.rails.v12;
  const use = powerOf(kit);
  return use.start12 > limit && use.amps.v12 <= limit ? [{ rule: "power.start", about: [supply.item.id], facts: { amps: use.start12, limit } }] : [];
};
var PARTS_TO_JUDGE = 3;
var least = ({ kit }) => {
  const { supply } = kit;
  if (!supply || kit.build.items.length <= PARTS_TO_JUDGE) return [];
  const needs = supply.part.supply.leastV5;
  const gets = powerOf(kit).amps.v5;
  return gets < needs ? [
    {
      rule: "power.least",
      about: [supply.item.id],
      facts: { supply: thingOf(supply), needs, gets }
    }
  ] : [];
};
var minus5 = ({ kit }) => {
  const needy = powerOf(kit).minus5;
  return kit.supply?.part.supply?.rails.m5 === 0 && needy.length && !kit.facts.memory?.threeSupply ? [
    {
      rule: "power.minus5",
      about: [kit.supply.item.id],
      facts: { supply: thingOf(kit.supply), needy: [...needy] }
    }
  ] : [];
};
var plugs2 = ({ kit }) => {
  const { supply } = kit;
  const has3 = supply?.part.supply.plugs;
  if (!supply || !has3) return [];
  const { large: large2, small } = powerOf(kit).plugs;
  const spare = Math.max(0, has3.large - large2);
  const missing2 = Math.max(0, large2 - has3.large) + Math.max(0, small - has3.small - spare);
  return missing2 ? [
    {
      rule: "power.plugs",
      about: [supply.item.id],
      facts: {
        supply: thingOf(supply),
        missing: missing2,
        has: { large: has3.large, small: has3.small },
        needs: { large: large2, small }
      }
    }
  ] : [];
};
var form = ({ kit, m }) => {
  const { supply, chassis } = kit;
  const out2 = [];
  const plug = kit.facts.powerPlug;
  const isAtx = supply?.part.supply.form === "atx";
  if (supply && plug && plug !== "either" && isAtx !== (plug === "atx"))
    out2.push({
      rule: "power.form",
      severity: isAtx ? "caution" : "clash",
      about: [supply.item.id, "board"],
      facts: { supply: thingOf(supply), has: isAtx ? "atx" : "at" }
    });
  if (!chassis) return out2;
  const takes = chassis.part.chassis;
  if (supply && !takes.supply.includes(supply.part.supply.form))
    out2.push({
      rule: "bay.supply",
      about: [supply.item.id, chassis.item.id],
      facts: { supply: thingOf(supply), chassis: thingOf(chassis), takes: [...takes.supply] }
    });
  const misfit = boardInCase(kit.facts, takes);
  if (misfit)
    out2.push({
      rule: "bay.board",
      about: [chassis.item.id, "board"],
      facts: { board: thingOf(m.board), chassis: thingOf(chassis), ...misfit }
    });
  return out2;
};
var measured = ({ m }) => [
  ...railStops(m.build).map((stop2) => ({
    rule: "power.rails",
    key: stop2.plug,
    about: ["board"],
    facts: { why: "read", ...stop2 }
  })),
  ...afterMishap(m.build) === "ohms" ? [
    {
      rule: "power.rails",
      key: "exchanged",
      about: ["board"],
      facts: { why: "exchanged", cased: m.build.mishap?.cased ?? null }
    }
  ] : []
];
var powerRules = [measured, threeSupply, rail, start2, least, minus5, plugs2, form];

// src/lib/core/rules/programs.ts
var judged = (s2, area) => (area !== "storage" || s2.kit.drives.length > 0) && (area !== "audio" && area !== "ports" ? true : s2.kit.drives.length > 0 && s2.kit.cpu !== null);
var software = (s2) => s2.kit.build.brief.profiles.flatMap(
  (profile) => unmet(profile, s2.offer).filter((u) => judged(s2, u.area)).map(
    ({ rule, facts: facts2, hard: hard2 }) => ({
      rule,
      key: profile.id,
      severity: hard2 ? "clash" : "caution",
      about: ["board"],
      facts: { ...facts2, program: profile.name, profile: profile.id, year: profile.year ?? null }
    })
  )
);
var system = (s2) => {
  const { dos } = systemOf(s2.kit.build.brief.os);
  const found = systemIn(s2.kit.build.brief.os);
  const family3 = s2.kit.cpu?.cpu?.family;
  const { memory: memory3, diskMiB } = s2.offer;
  const out2 = [];
  const about2 = ["board"];
  if (found) {
    const total = memory3 && totalKiB(s2.kit);
    const lacks2 = systemLacks(found, {
      cpu: family3,
      totalKiB: total,
      extendedKiB: memory3?.extended,
      diskMiB
    });
    const system2 = found.name;
    if (lacks2.includes("cpu") && family3)
      out2.push({ rule: "os.cpu", about: about2, facts: { system: system2, family: family3, needs: found.cpu } });
    if (lacks2.includes("base") && total !== null)
      out2.push({
        rule: "os.memory",
        key: "base",
        about: about2,
        facts: { system: system2, needsKiB: found.baseKiB, of: "base", hasKiB: total }
      });
    if (lacks2.includes("extended") && memory3)
      out2.push({
        rule: "os.memory",
        about: about2,
        facts: { system: system2, needsKiB: found.extendedKiB, of: "extended", hasKiB: memory3.extended }
      });
    if (lacks2.includes("disk") && diskMiB !== null)
      out2.push({
        rule: "os.disk",
        about: about2,
        facts: { system: system2, needsMiB: found.diskMiB, diskMiB }
      });
  }
  if (dos !== null && dos < 3.3) {
    const mostMiB = Math.round(largestPartition(dos) / 2048);
    if (diskMiB !== null && diskMiB > mostMiB)
      out2.push({
        rule: "os.partition",
        about: about2,
        facts: { dos: String(dos), mostMiB, diskMiB }
      });
  }
  return out2;
};
var driver = (s2) => {
  const family3 = s2.kit.cpu?.cpu?.family;
  const { dos, windows: windows2 } = systemOf(s2.kit.build.brief.os);
  return s2.kit.build.items.flatMap((item) => {
    const part = entryOf(s2.parts, item.part);
    if (!part.driver) return [];
    const thing3 = thingOf({ part, title: item.label ?? part.name });
    const out2 = [];
    if (family3 && families[family3].rank < families[part.driver.cpu].rank)
      out2.push({
        rule: "os.driver",
        key: "cpu",
        about: [item.id, "board"],
        facts: { part: thing3, why: "cpu", needs: part.driver.cpu, family: family3 }
      });
    const { windows: needs } = part.driver;
    if (needs !== void 0 && s2.kit.build.brief.os && (windows2 ?? 0) < needs)
      out2.push({
        rule: "os.driver",
        key: "windows",
        about: [item.id],
        facts: { part: thing3, why: "windows", needs }
      });
    else if (dos !== null && part.driver.dos !== void 0 && dos < part.driver.dos)
      out2.push({
        rule: "os.driver",
        about: [item.id],
        facts: { part: thing3, why: "dos", needs: part.driver.dos, dos }
      });
    return out2;
  });
};
var needResources = ["irq", "dma", "io", "memory"];
var programLines = ({ m, at: at2, lines: lines3 }) => {
  const owners = m.fitted.flatMap((f) => f.part.functions.map((fn) => ({ fitted: f, item: f.item.id, fn })));
  return m.build.brief.profiles.flatMap(
    (profile) => profile.needs.flatMap((need) => {
      const able = owners.filter((o) => o.fn.kind === need.kind);
      const meets = ({ fitted, item, fn }) => isOn(fitted, fn, at2) && needResources.every((resource) => {
        const accepted = need[resource];
        if (!accepted) return true;
        const claim = firstClaim(fn, resource);
        const line2 = lines3.find((l) => l.item === item && l.function === fn.id && l.index === claim);
        return line2 !== void 0 && acceptedIn(m, resource, accepted).includes(line2.value);
      });
      if (!able.length || able.some(meets)) return [];
      const accepts = needResources.flatMap(
        (r) => (need[r] ?? []).map(
          (n2) => r === "io" ? hex(n2) : r === "memory" ? hex(n2, 5) : `${r.toUpperCase()} ${n2}`
        )
      ).join(", ");
      return [
        {
          rule: "audio.profile",
          key: profile.id,
          severity: need.weight === "hard" ? "clash" : "note",
          about: able.map((o) => ({ item: o.item, function: o.fn.id })),
          facts: {
            program: profile.name,
            profile: profile.id,
            function: there(able[0]).fn.label,
            cards: able.map((o) => thingOf(o.fitted)),
            accepts,
            note: need.why ?? null
          }
        }
      ];
    })
  );
};
var programRules = [system, driver, software, programLines];

// src/lib/core/rules/seat.ts
var room2 = (s2) => {
  const { chassis } = s2.kit;
  const cage = chassis?.part.chassis.cardMm;
  return s2.m.fitted.flatMap((f) => {
    if (!f.slot) return [];
    const slot2 = f.slot.label ?? f.slot.id;
    const found = obstacle(f.part, f.slot);
    const common3 = {
      about: [{ item: f.item.id, slot: f.slot.id }],
      fixes: freeSlotFixes(s2, f.part, f.item.id)
    };
    if (found?.why === "length")
      return [
        {
          rule: "slot.length",
          ...common3,
          facts: { card: thingOf(f), slot: slot2, cardMm: found.cardMm, roomMm: found.roomMm, by: "board" }
        }
      ];
    const skirt = found?.why === "skirt" ? [{ rule: "slot.skirt", ...common3, facts: { card: thingOf(f), slot: slot2 } }] : [];
    const cardMm = f.part.card?.lengthMm;
    if (chassis && cage !== void 0 && cardMm !== void 0 && cardMm > cage)
      skirt.push({
        rule: "slot.length",
        about: [f.item.id, chassis.item.id],
        facts: { card: thingOf(f), slot: slot2, cardMm, roomMm: cage, by: "cage" }
      });
    return skirt;
  });
};
var keyboard = (s2) => {
  const board3 = s2.kit.facts.keyboard;
  const { keyboard: keyboard2 } = s2.kit;
  if (!board3 || !keyboard2) return [];
  const { item } = keyboard2;
  const own = keyboard2.part.keyboard;
  const it2 = thingOf(keyboard2);
  const both = board3.protocols.filter((p) => own.protocols.includes(p));
  if (!both.length)
    return [
      {
        rule: "keyboard.protocol",
        about: [item.id, "board"],
        facts: { keyboard: it2, has: [...own.protocols], board: [...board3.protocols] }
      }
    ];
  const out2 = [];
  if (own.change === "switch" && board3.protocols.length === 1)
    out2.push({
      rule: "keyboard.switch",
      about: [item.id],
      facts: { keyboard: it2, protocol: there(both[0]) }
    });
  const changes2 = (end) => s2.kit.adapters.some((a) => [a.part.adapter.to, a.part.adapter.from].includes(end));
  if (board3.plug !== own.plug && !changes2(board3.plug))
    out2.push({
      rule: "keyboard.plug",
      about: [item.id, "board"],
      facts: { keyboard: it2, board: board3.plug }
    });
  return out2;
};
var battery = (s2) => s2.kit.facts.battery === "barrel" ? [
  {
    rule: "battery.leak",
    about: ["board"],
    facts: { board: thingOf(s2.m.board) },
    fixes: [
      { label: { kind: "battery-off" }, fix: { action: "acknowledge", finding: BATTERY_FINDING } }
    ]
  }
] : [];
var BATTERY_FINDING = "battery.leak board/";
var FOUR_DIGITS = 1995;
var century = ({ kit, m }) => {
  const year = kit.firmware?.firmware?.year;
  return m.class === "at" && year !== void 0 && year < FOUR_DIGITS ? [{ rule: "clock.century", about: ["board"], facts: { board: thingOf(m.board), year } }] : [];
};
var sourcedFacts = ({ item, part }) => [
  ...part.settings.flatMap((s2) => [
    {
      what: { setting: s2.label },
      subject: { item: item.id, setting: s2.id },
      sources: s2.evidence ?? []
    },
    ...s2.positions.map((p) => ({
      what: { setting: s2.label, position: p.label },
      subject: { item: item.id, setting: s2.id },
      sources: p.evidence ?? []
    }))
  ]),
  ...part.functions.flatMap(
    (f) => f.claims.map((c) => ({
      what: { resource: c.resource, function: f.label },
      subject: { item: item.id, function: f.id },
      sources: c.evidence ?? []
    }))
  )
];
var conflict = (s2) => s2.m.fitted.flatMap(sourcedFacts).flatMap(({ what, subject: subject2, sources }) => {
  const said = sources.flatMap(({ source, says: says2 }) => says2 ? [{ source, says: says2 }] : []);
  const differ = new Set(said.map((e) => e.says)).size > 1;
  if (!differ || sources.some((e) => e.says && e.held)) return [];
  return [{ rule: "evidence.conflict", about: [subject2], facts: { what, sources: said } }];
});
var seatRules = [room2, keyboard, battery, century, conflict];

// src/lib/core/rules/specimens.ts
var thing2 = ({ parts: parts2 }, item) => {
  const part = parts2.get(item.part);
  return part ? [thingOf(item.label === void 0 ? { part } : { part, title: item.label })] : [];
};
var bad = (s2) => [s2.m.build.board, ...s2.m.build.items].flatMap(
  (item) => thing2(s2, item).flatMap(
    (part) => item.foundBad ? [
      {
        rule: "part.bad",
        about: [item.id],
        facts: { part, ...item.foundBad, why: item.foundBad.why ?? null },
        fixes: item === s2.m.build.board ? [] : [
          {
            label: { kind: "out", part: part.name },
            fix: { action: "take-out", item: item.id }
          }
        ]
      }
    ] : []
  )
);
var borrowed = (s2) => s2.m.build.items.flatMap(
  (item) => thing2(s2, item).flatMap(
    (part) => item.borrowed ? [
      {
        rule: "part.borrowed",
        about: [item.id],
        facts: { part, from: item.borrowed.name, at: item.borrowed.at }
      }
    ] : []
  )
);
var specimenRules = [bad, borrowed];

// src/lib/core/rules/switches.ts
var toldElsewhere2 = /* @__PURE__ */ new Set([
  "bus-mhz",
  "factor",
  "volts",
  "fpu",
  "display",
  "monitor",
  "on-board",
  "bus-divisor"
]);
function wrongOnes({ kit, at: at2 }) {
  const recorded = (item, setting) => item.chosen[setting] ?? item.asFound[setting];
  return required(
    kit,
    (item, { fact, setting }) => !toldElsewhere2.has(fact) && recorded(item, setting.id) !== void 0
  ).filter((r) => {
    const now = at2(r.item, r.setting.id);
    return now === void 0 || !r.positions.includes(now);
  });
}
var wrongSwitch = (s2) => wrongOnes(s2).flatMap((r) => {
  const meant = meaningsOf(r.part).find((m) => m.setting.id === r.setting.id && m.fact === r.fact);
  const position = s2.at(r.item, r.setting.id);
  const value = position === void 0 ? void 0 : meant?.values.get(position);
  if (!meant || position === void 0 || value === void 0) return [];
  const { severity, consequence, more } = factRules[r.fact].wrong(s2.kit, value, { ...meant, item: r.item });
  return [
    {
      rule: "switch",
      key: r.fact,
      severity,
      about: [{ item: r.item, setting: r.setting.id }],
      facts: {
        fact: r.fact,
        ...more === void 0 ? {} : { more },
        setting: r.setting.label,
        position: byId(r.setting.positions, position).label,
        consequence,
        required: r.value,
        because: r.because,
        canSay: r.position !== null
      },
      fixes: r.position === null ? [] : [setFix(s2, r.item, r.setting.id, r.position)]
    }
  ];
});
var switchRules = [wrongSwitch];

// src/lib/core/rules/unknown.ts
var unknowns = ({ m }) => unknownsOf(m).map((u) => {
  const fitted = m.get(u.item);
  const { part } = fitted;
  const labelOf = (fn) => part.functions.find((f) => f.id === fn)?.label;
  switch (u.kind) {
    case "claims":
      return {
        rule: "unknown.lines",
        about: [{ item: u.item, ...u.function === void 0 ? {} : { function: u.function } }],
        facts: { part: thingOf(fitted), function: labelOf(u.function) ?? null }
      };
    case "routing":
      return {
        rule: "unknown.routing",
        about: [{ item: u.item, function: u.function }],
        facts: { card: thingOf(fitted), function: labelOf(u.function), slot: u.slot }
      };
    case "setting": {
      const decides = part.functions.filter(
        (fn) => fn.claims.some(
          ({ from }) => from && ("setting" in from ? from.setting === u.setting : from.settings.includes(u.setting))
        )
      );
      return {
        rule: "setting.unknown",
        about: [{ item: u.item, setting: u.setting }],
        facts: {
          part: thingOf(fitted),
          setting: byId(part.settings, u.setting).label,
          decides: decides.map((fn) => fn.label)
        }
      };
    }
  }
});
var openFacts = {
  socket: ({ kit }) => !kit.facts.cpuSocket,
  clock: ({ kit }) => !kit.facts.busClock,
  memory: ({ kit }) => !kit.memory,
  // A machine that is sold as one brings the right ones; of its own display it has to be said what that shows.
  keyboard: ({ kit }) => !kit.facts.closed && !kit.facts.keyboard,
  power: ({ kit }) => !kit.facts.closed && !kit.facts.powerPlug,
  form: ({ kit }) => !kit.facts.closed && !kit.facts.form,
  supply: ({ kit }) => kit.facts.closed !== void 0 && !kit.supply,
  panel: ({ kit, m }) => kit.facts.closed !== void 0 && !m.board.part.monitor
};
var board = (s2) => {
  const open = Object.keys(openFacts).filter((fact) => openFacts[fact](s2));
  return open.length ? [{ rule: "unknown.board", about: ["board"], facts: { board: thingOf(s2.m.board), open } }] : [];
};
var bios = ({ kit }) => kit.firmware ? [] : [{ rule: "unknown.bios", about: ["board"], facts: {} }];
var unknownRules = [unknowns, board, bios];

// src/lib/core/rules/video.ts
var standard = (h) => h.checks.filter((c) => c.mode.standards || c.mode.id === "mono-graphics");
var cardOf = (s2, item) => thingOf(s2.m.get(item));
var shownOn = (s2) => s2.kit.displays.filter((d) => d.isOn && d.facts.standard !== "3d-only");
var danger = (s2) => hookedMonitors(s2.kit).flatMap((h) => {
  const bad2 = standard(h).find((c) => c.verdict === "danger");
  if (!bad2 || !h.display) return [];
  return [
    {
      rule: "video.danger",
      about: [h.monitor.item.id, h.display.item],
      facts: {
        monitor: thingOf(h.monitor),
        card: cardOf(s2, h.display.item),
        horizontal: bad2.mode.horizontal,
        ranges: h.monitor.part.monitor.horizontal.map(({ low, high }) => ({ low, high }))
      },
      fixes: switchFixes(s2, h)
    }
  ];
});
function switchFixes(s2, h) {
  const { display } = h;
  const told = display?.facts.monitorSwitch;
  if (!display || !told) return [];
  return Object.keys(told.values).filter((position) => {
    const kit = {
      ...s2.kit,
      at: (i, x) => i === display.item && x === told.setting ? position : s2.at(i, x)
    };
    const after = hookedMonitors({ ...kit, displays: s2.kit.displays }).find((x) => x.monitor === h.monitor);
    return after?.checks.some((c) => c.verdict === "shown") && !standard(after).some((c) => c.verdict === "danger");
  }).slice(0, 2).map((position) => setFix(s2, display.item, told.setting, position));
}
var signal = (s2) => hookedMonitors(s2.kit).flatMap((h) => {
  const monitor = thingOf(h.monitor);
  if (!h.display)
    return s2.kit.displays.length ? [] : [
      {
        rule: "video.signal",
        about: [h.monitor.item.id],
        facts: { monitor, card: null, why: "no-card" }
      }
    ];
  const shows2 = h.checks.some((c) => c.verdict === "shown");
  const card = cardOf(s2, h.display.item);
  const about2 = [h.monitor.item.id, h.display.item];
  if (!shows2 && !standard(h).some((c) => c.verdict === "danger"))
    return [
      {
        rule: "video.signal",
        about: about2,
        facts: {
          monitor,
          card,
          why: h.checks.every((c) => c.verdict === "no-plug") ? "plug" : "frequencies"
        }
      }
    ];
  const lost2 = h.checks.filter(
    (c) => !c.mode.standards && c.verdict !== "shown" && c.mode.id !== "mono-graphics"
  );
  return shows2 && lost2.length && !isBuiltIn(h) ? [
    {
      rule: "video.modes",
      about: about2,
      facts: {
        monitor,
        card,
        modes: lost2.map((c) => c.mode.label),
        fixed: Boolean(h.monitor.part.monitor.fixed)
      }
    }
  ] : [];
});
var isBuiltIn = ({ monitor, display }) => display?.item === monitor.item.id;
var flat = (s2) => hookedMonitors(s2.kit).filter((h) => h.monitor.part.monitor.flat && h.display?.facts.standard === "vga" && !isBuiltIn(h)).map((h) => ({
  rule: "video.flat",
  about: [h.monitor.item.id],
  facts: { monitor: thingOf(h.monitor) }
}));
var grey = (s2) => hookedMonitors(s2.kit).filter((h) => !h.monitor.part.monitor.colour && h.display?.facts.standard === "vga").map((h) => ({
  rule: "video.grey",
  about: [h.monitor.item.id],
  facts: { monitor: thingOf(h.monitor) }
}));
var boardSwitch = (s2) => {
  const told = s2.kit.facts.displaySwitch;
  const on = shownOn(s2);
  if (!told || !on.length) return [];
  const position = s2.at("board", told.setting);
  const set = position === void 0 ? void 0 : told.values[position];
  if (set === void 0 || set === "any") return [];
  const kinds3 = new Set(
    on.map((d) => {
      const sent = withSwitch(s2.kit, d).standard;
      return sent === "mono" ? "mono" : sent === "cga" ? "colour" : "own-bios";
    })
  );
  const offered3 = new Set(Object.values(told.values));
  const wanted2 = [...kinds3].map((k) => k === "own-bios" && !offered3.has("own-bios") ? "colour" : k);
  if (wanted2.includes(set)) return [];
  const harmless = s2.kit.facts.class === "at" && kinds3.has("own-bios");
  const right = Object.entries(told.values).find(([, v]) => v === wanted2[0]);
  return [
    {
      rule: "video.switch",
      severity: harmless ? "note" : "clash",
      about: [{ item: "board", setting: told.setting }, ...on.map((d) => d.item)],
      facts: { set, card: cardOf(s2, there(on[0]).item), is: there(wanted2[0]), harmless },
      fixes: right ? [setFix(s2, "board", told.setting, right[0])] : []
    }
  ];
};
var drivesSeveral = (s2) => (systemOf(s2.kit.build.brief.os).windows ?? 0) >= 4.1;
var two = (s2) => {
  const on = shownOn(s2);
  const sort = (d) => withSwitch(s2.kit, d).standard === "mono" ? "mono" : "colour";
  return ["mono", "colour"].flatMap((kind2) => {
    const same = on.filter((d) => sort(d) === kind2);
    if (same.length < 2) return [];
    const about2 = same.map((d) => d.item);
    const cards2 = about2.map((item) => cardOf(s2, item));
    const isLocal = (item) => ["pci", "agp"].includes(s2.m.find(item)?.part.card?.bus ?? "");
    return drivesSeveral(s2) && about2.filter((item) => !isLocal(item)).length === 0 ? [{ rule: "video.second", about: about2, facts: { cards: cards2 } }] : [{ rule: "video.two", about: about2, facts: { kind: kind2, cards: cards2 } }];
  });
};
var only3d = (s2) => {
  const only = s2.kit.displays.filter((d) => d.facts.standard === "3d-only");
  if (!only.length || s2.kit.displays.some((d) => d.facts.standard === "vga" && d.isOn)) return [];
  return only.map((d) => ({
    rule: "video.pass",
    about: [d.item],
    facts: { card: cardOf(s2, d.item) }
  }));
};
var videoRules = [danger, signal, boardSwitch, two, only3d, flat, grey];

// src/lib/core/rules/index.ts
var rules2 = [
  ...cpuRules,
  ...videoRules,
  ...powerRules,
  ...lineRules,
  ...portRules,
  ...unknownRules,
  ...fitRules,
  ...seatRules,
  ...memoryRules,
  ...driveRules,
  ...diskRules,
  ...switchRules,
  ...briefRules,
  ...programRules,
  ...specimenRules
];
function checked(build, parts2) {
  const m = machine(build, parts2);
  const at2 = standing(m);
  const kit = kitOf(build, parts2, m);
  const situation = { m, parts: parts2, at: at2, lines: linesAt(m, at2), kit, offer: offerOf(kit) };
  const known3 = new Set(build.acknowledged);
  const findings2 = named2(rules2.flatMap((rule) => rule(situation)).map(findingOf));
  return {
    // What was acknowledged is known to be open; it is not checked by that.
    status: statusOf(findings2),
    findings: worstFirst(findings2.filter((f) => !known3.has(f.id) || isBad(f))),
    hiding: findings2.filter(hidesSomething)
  };
}
function named2(findings2) {
  const seen3 = /* @__PURE__ */ new Map();
  return findings2.map((f) => {
    const n2 = (seen3.get(f.id) ?? 0) + 1;
    seen3.set(f.id, n2);
    return n2 === 1 ? f : { ...f, id: `${f.id} #${n2}` };
  });
}
var check = (build, parts2) => checked(build, parts2).findings;
var isBad = (f) => f.severity === "stop" || f.severity === "clash";
var statusOf = (findings2) => findings2.some(isBad) ? "clash" : findings2.some(hidesSomething) ? "unknown" : "clean";

// src/lib/core/planner/pool.ts
var YOUNGER = { exact: 0, spirit: 2, convenient: 100 };
function tally(list2) {
  const by = /* @__PURE__ */ new Map();
  for (const { part, count: count2 } of list2) by.set(part.id, { part, count: count2 + (by.get(part.id)?.count ?? 0) });
  return [...by.values()];
}
var middlePrice = (part) => part.price ? Math.round((part.price.low + part.price.high) / 2) : 0;
function barred(part, request) {
  const { brief: brief2 } = request;
  const fixed = fixedParts(request);
  if ((request.excluded ?? []).includes(part.id)) return { why: "excluded" };
  for (const wish of brief2.wishes ?? []) {
    if (wish.kind === "never" && wish.part === part.id) return { why: "never" };
    if (wish.kind === "emulator-outside" && part.drive?.medium === "emulator" && part.drive.bay !== "outside")
      return { why: "emulator-outside" };
    if (wish.kind === "original-look" && showsNew(part)) return { why: "seen-in-front" };
  }
  if (fixed.has(part.id)) return null;
  const { dos } = systemOf(brief2.os);
  const needs = part.driver?.dos ?? 0;
  if (dos !== null && needs > dos) return { why: "driver", needs, dos };
  const year = yearOf(brief2);
  const allowed = YOUNGER[brief2.strictness ?? "spirit"];
  if (year !== null && brief2.date && part.sold && part.sold.from > year + allowed)
    return { why: "date", from: part.sold.from, date: brief2.date, spirit: allowed > 0 };
  if (brief2.source === "shelf" && !request.shelf.some((u) => u.part === part.id))
    return { why: "not-on-shelf" };
  return null;
}
var yearOf = (brief2) => brief2.date ? Number(brief2.date.slice(0, 4)) : null;
function fixedParts(request) {
  const kept = (request.brief.wishes ?? []).flatMap((w) => w.kind === "keep" ? [w.part] : []);
  return /* @__PURE__ */ new Set([...request.fixed ?? [], ...kept]);
}
function poolOf(request, weights) {
  const year = yearOf(request.brief);
  const byPart = /* @__PURE__ */ new Map();
  const shelf = [...request.shelf].sort((a, b) => a.specimen < b.specimen ? -1 : 1);
  for (const unit of shelf) byPart.set(unit.part, [...byPart.get(unit.part) ?? [], unit]);
  const known3 = request.parts.map(withToldFields);
  const parts2 = known3.filter((p) => barred(p, request) === null);
  const byId3 = new Map(known3.map((p) => [p.id, p]));
  const byKind = /* @__PURE__ */ new Map();
  const of2 = (kind2) => {
    const known4 = byKind.get(kind2) ?? parts2.filter((p) => isOfKind(p, kind2));
    byKind.set(kind2, known4);
    return known4;
  };
  const units = (id2) => byPart.get(id2) ?? [];
  const strict = request.brief.strictness === "convenient" ? 0.2 : 1;
  const weighed = /* @__PURE__ */ new Map();
  const years = (part) => {
    if (year === null || !part.sold || part.kind === "bios") return 0;
    const young = Math.max(0, part.sold.from - year);
    const old = part.sold.to === void 0 ? 0 : Math.max(0, year - part.sold.to - STILL_IN_USE);
    return young + old;
  };
  const price = (part, count2) => {
    const bought = Math.max(0, count2 - units(part.id).length);
    return { bought, cost: bought * middlePrice(part) };
  };
  return {
    year,
    parts: parts2,
    of: of2,
    get: (id2) => byId3.get(id2),
    cpuOf: ({ board: board3 }) => {
      const cpu2 = byId3.get(board3.cpuSocket?.soldered ?? "");
      return cpu2 && hasFacts(cpu2, "cpu") ? cpu2 : null;
    },
    fixed: fixedParts(request),
    weights,
    units,
    years,
    price,
    weigh: (part, count2 = 1) => {
      const known4 = weighed.get(part) ?? /* @__PURE__ */ new Map();
      const before = known4.get(count2);
      if (before !== void 0) return before;
      const { bought, cost } = price(part, count2);
      const sides3 = { years: years(part) * strict, bought, cost, slots: part.card ? 1 : 0 };
      const weight = weighSides(sides3, weights);
      weighed.set(part, known4.set(count2, weight));
      return weight;
    },
    choose: (part, count2, role) => ({
      part: part.id,
      count: count2,
      onShelf: Math.min(count2, units(part.id).length),
      cost: price(part, count2).cost,
      role
    })
  };
}
var POINTS = { missed: 40, rough: 4, years: 2, bought: 1, cost: 0.12, slots: 0.4, cautions: 0.5 };
function weighSides(sides3, w) {
  const by = {
    missed: w.profiles,
    rough: w.speed,
    years: w.period,
    bought: w.shelf,
    cost: w.cost,
    slots: w.slots,
    cautions: 1
  };
  return Object.keys(sides3).reduce(
    (sum3, side) => sum3 + (sides3[side] ?? 0) * POINTS[side] * by[side],
    0
  );
}

// src/lib/core/planner/options.ts
var ALIKE = 3;
var blank = {
  cpu: null,
  speed: null,
  fpu: false,
  memory: null,
  pictures: null,
  abilities: /* @__PURE__ */ new Set(),
  functions: /* @__PURE__ */ new Set(),
  diskMiB: null,
  cdrom: false,
  floppies: [],
  dos: null,
  windows: null
};
function masksOf(profiles, offer, areas) {
  let [mask, soft2] = [0n, 0n];
  profiles.forEach((profile, i) => {
    const found = unmet(profile, { ...blank, ...offer }, areas);
    if (found.every((u) => !u.hard)) mask |= 1n << BigInt(i);
    if (found.some((u) => !u.hard)) soft2 |= 1n << BigInt(i);
  });
  return { mask, soft: soft2 };
}
var bits = (mask) => {
  let n2 = 0;
  for (let m = mask; m; m &= m - 1n) n2++;
  return n2;
};
function narrowed2(pool, options, group) {
  const taken = /* @__PURE__ */ new Map();
  return lightestFirst(options).filter((option) => {
    const key = group(option);
    const before = taken.get(key) ?? 0;
    const isKept = before < ALIKE || option.parts.some((p) => pool.fixed.has(p.part.id));
    if (isKept) taken.set(key, before + 1);
    return isKept;
  });
}
function lightestFirst(options) {
  const named3 = options.map((option) => ({
    option,
    count: option.parts.reduce((n2, p) => n2 + p.count, 0),
    name: option.parts.map((p) => `${p.part.id} ${p.count} ${p.place ?? ""}`).join(" ")
  }));
  named3.sort((a, b) => a.option.weight - b.option.weight || a.count - b.count || (a.name < b.name ? -1 : 1));
  return named3.map(({ option }) => option);
}
function withFixed(pool, options, isOfRole) {
  const fixed = [...pool.fixed].filter((id2) => {
    const part = pool.get(id2);
    return part && isOfRole(part);
  });
  return fixed.length ? options.filter((o) => fixed.every((id2) => o.parts.some((p) => p.part.id === id2))) : options;
}
function bases(pool, brief2) {
  const mustFpu = (brief2.wishes ?? []).some((w) => w.kind === "have" && w.what === "fpu");
  const wantsFpu = mustFpu || brief2.profiles.some((p) => p.wants?.fpu) || [...pool.fixed].some((id2) => pool.get(id2)?.kind === "fpu");
  const out2 = [];
  const make = (board3, cpu2, fpu, settings2) => {
    const facts2 = (cpu2 ?? pool.cpuOf(board3))?.cpu;
    if (!suitsSystem(brief2.os, { cpu: facts2?.family })) return;
    const core = facts2 ? coreOf(board3, facts2, settings2) : null;
    const parts2 = [board3, ...cpu2 ? [cpu2] : [], ...fpu ? [fpu] : []].map((part) => ({ part, count: 1 }));
    out2.push({
      board: board3,
      cpu: cpu2,
      settings: settings2,
      parts: parts2,
      weight: parts2.reduce((n2, p) => n2 + pool.weigh(p.part), 0) + // Known before anything else is chosen: its battery is one thing to watch.
      weighSides({ cautions: board3.board.battery === "barrel" ? 1 : 0 }, pool.weights),
      ...masksOf(
        brief2.profiles,
        {
          cpu: facts2?.family ?? null,
          speed: facts2 && core !== null ? speedIndex(facts2, core) : null,
          slow: facts2 ? slowDownsOf(board3, facts2.family) : [],
          fpu: facts2?.fpu || fpu !== null
        },
        ["cpu"]
      )
    });
  };
  for (const board3 of pool.of("board").filter((b) => !b.board?.closed)) {
    const soldered = board3.board?.cpuSocket?.soldered;
    const cpus = soldered ? [null] : pool.of("cpu").filter((cpu2) => socketTakes(board3, cpu2));
    for (const cpu2 of cpus) {
      const own = cpu2 ?? pool.cpuOf(board3);
      const settings2 = own ? settingsFor(board3, own) : {};
      if (!settings2) continue;
      if (!mustFpu || own?.cpu.fpu) make(board3, cpu2, null, settings2);
      if (!wantsFpu || !own || own.cpu.fpu) continue;
      for (const fpu of pool.of("fpu").filter((f) => takesFpu(board3, own, f, settings2)))
        make(board3, cpu2, fpu, withFpuSwitch(board3, settings2));
    }
  }
  const ofRole = (p) => p.kind === "board" || p.kind === "cpu" || p.kind === "fpu";
  return narrowed2(pool, withFixed(pool, out2, ofRole), (o) => `${sortOfBoard(o.board)} ${o.mask} ${o.soft}`);
}
var boardSorts = /* @__PURE__ */ new WeakMap();
function sortOfBoard(board3) {
  const known3 = boardSorts.get(board3);
  if (known3 !== void 0) return known3;
  const { slots: slots3, memory: memory3, keyboard: keyboard2, form: form4, powerPlug, firmware, battery: battery3, class: cls } = board3.board;
  const facts2 = [cls, slots3, memory3, keyboard2, form4, powerPlug, firmware, battery3];
  const sort = JSON.stringify([facts2, board3.video, board3.functions, board3.power]);
  boardSorts.set(board3, sort);
  return sort;
}
function takesFpu(board3, { cpu: cpu2 }, { fpu: { kind: kind2, mhz: mhz3 } }, settings2) {
  const core = coreOf(board3, cpu2, settings2) ?? cpu2.coreMHz;
  const needed2 = kind2 === "287" ? core * 2 / 3 : core;
  return (board3.board.fpuSockets ?? []).includes(kind2) && fpuSuits(kind2, cpu2.family) && !tooFast(needed2, mhz3);
}
var withFpuSwitch = (board3, settings2) => {
  const told = board3.board.fpuSwitch;
  return told ? { ...settings2, [told.setting]: told.fitted } : settings2;
};
function coreOf(board3, cpu2, settings2) {
  const { busClock } = board3.board;
  const bus = !busClock ? null : Array.isArray(busClock) ? busClock.length === 1 ? there(busClock[0]) : null : busClock.values[settings2[busClock.setting] ?? ""] ?? null;
  return bus === null ? null : bus * ratedFactor(cpu2);
}
function memories(pool, base, brief2) {
  const facts2 = base.board.board.memory;
  if (!facts2) return [{ parts: [], ...masksOf(brief2.profiles, {}, ["memory"]), weight: 0, filling: null }];
  const cpu2 = base.cpu ?? pool.cpuOf(base.board);
  const family3 = cpu2?.cpu?.family ?? null;
  const { dos } = systemOf(brief2.os);
  const reach3 = family3 ? families[family3].reachKiB : Infinity;
  const all = fillings(
    facts2,
    pool.of("memory"),
    (part, n2) => pool.weigh(part, n2),
    Math.min(reach3, facts2.maxKiB)
  );
  const wantsEms = brief2.profiles.some((p) => p.wants?.memory?.expandedKiB) && (family3 === null || families[family3].rank < 2);
  const boards = [
    null,
    ...wantsEms ? pool.of("card").filter((p) => p.functions.some((f) => f.kind === "ems" && f.memoryKiB)) : []
  ];
  const enough = all.filter(
    ({ kib: kib4 }) => suitsSystem(brief2.os, { totalKiB: kib4, extendedKiB: shownMemory(kib4, facts2).extended })
  );
  const options = enough.flatMap(
    (filling) => boards.map((ems) => {
      const shown2 = shownMemory(filling.kib, facts2);
      const own = family3 && families[family3].rank >= 2 ? shown2.extended : 0;
      const parts2 = [
        ...filling.banks.map((b) => ({ part: b.part, count: b.count, place: b.bank })),
        ...ems ? [{ part: ems, count: 1 }] : []
      ];
      const memory3 = {
        base: freeBase(shown2, dos ?? 6, base.board.board.class === "at"),
        extended: shown2.extended,
        expanded: Math.max(own, ems?.functions.find((f) => f.kind === "ems")?.memoryKiB ?? 0)
      };
      return {
        filling,
        parts: parts2,
        ...masksOf(brief2.profiles, { memory: memory3, cpu: family3 }, ["memory"]),
        weight: tally(parts2).reduce((n2, p) => n2 + pool.weigh(p.part, p.count), 0)
      };
    })
  );
  const kept = withFixed(
    pool,
    options,
    (p) => p.kind === "memory" || p.functions.some((f) => f.kind === "ems")
  );
  return narrowed2(pool, kept, (o) => `${o.mask} ${o.soft}`);
}
var pictured = /* @__PURE__ */ new WeakMap();
function picturesOn(card, monitor) {
  const known3 = pictured.get(card) ?? /* @__PURE__ */ new WeakMap();
  pictured.set(card, known3);
  const before = known3.get(monitor);
  if (before !== void 0) return before;
  const shown2 = chain(card, monitor).filter((c) => c.verdict === "shown").map((c) => c.mode);
  const pictures3 = shown2.length ? pictures.filter((p) => gives(card, shown2, p)) : null;
  known3.set(monitor, pictures3);
  return pictures3;
}
function displays(pool, brief2, own) {
  const cards2 = own ? [own] : pool.of("card").filter(
    (p) => Boolean(p.video && p.video.standard !== "3d-only")
  );
  const extra = brief2.profiles.some((p) => p.wants?.display?.includes("3d")) ? pool.of("card").filter((p) => p.video?.standard === "3d-only") : [];
  const options = [];
  const inColour = (brief2.wishes ?? []).some((w) => w.kind === "colour");
  for (const card of cards2)
    for (const monitor of pool.of("monitor")) {
      if (inColour && !(monitor.monitor.colour && showsColour(card.video))) continue;
      const pictures3 = picturesOn(card.video, monitor.monitor);
      if (!pictures3) continue;
      const make = (add2, more) => {
        const parts2 = [...own ? [] : [card], ...add2, monitor].map((part) => ({ part, count: 1 }));
        options.push({
          card: own ? null : card,
          parts: parts2,
          ...masksOf(brief2.profiles, { pictures: /* @__PURE__ */ new Set([...pictures3, ...more]) }, ["display"]),
          weight: parts2.reduce((n2, p) => n2 + pool.weigh(p.part), 0)
        });
      };
      make([], []);
      if (card.video.standard === "vga") for (const only3d2 of extra) make([only3d2], ["3d"]);
    }
  const kept = withFixed(pool, options, (p) => !own && !!p.video || p.kind === "monitor");
  return narrowed2(
    pool,
    kept,
    (o) => `${o.card?.card?.bus} ${o.parts.map((p) => p.part.card?.bus ?? "").join()} ${o.mask} ${o.soft}`
  );
}
function audios(pool, { profiles, wishes: wishes2 = [] }) {
  const cards2 = pool.parts.filter((p) => p.audio && (p.kind === "card" || p.kind === "adapter"));
  const fixed = cards2.filter((p) => pool.fixed.has(p.id));
  const sets = fixed.length ? [fixed] : [[], ...cards2.map((c) => [c])];
  const options = sets.map((set) => ({
    parts: set.map((part) => ({ part, count: 1 })),
    ...audioMasks(profiles, set),
    weight: set.reduce((n2, p) => n2 + pool.weigh(p), 0)
  }));
  const asked2 = /* @__PURE__ */ new Set([
    ...wishes2.flatMap((w) => w.kind === "have" ? [w.what] : []),
    ...profiles.flatMap((p) => p.wants?.functions ?? [])
  ]);
  const wantsCd = asked2.has("cdrom") || profiles.some((p) => p.wants?.cdrom);
  const brings = (part) => (part?.functions ?? []).flatMap((f) => [
    ...asked2.has(f.kind) ? [f.kind] : [],
    ...wantsCd ? f.speaks ?? [] : []
  ]);
  return narrowed2(
    pool,
    options,
    ({ parts: [first], mask, soft: soft2 }) => [first?.part.card?.bus ?? "", mask, soft2, ...brings(first?.part).sort()].join(" ")
  );
}
function audioMasks(profiles, set) {
  const abilities2 = new Set(set.flatMap((p) => p.audio?.abilities ?? []));
  const { mask, soft: soft2 } = masksOf(profiles, { abilities: abilities2 }, ["audio"]);
  return { mask: mask & needsMask(profiles, set), soft: soft2 };
}
function needsMask(profiles, set) {
  let mask = 0n;
  profiles.forEach((profile, i) => {
    const met = profile.needs.filter((need) => need.weight === "hard").every((need) => {
      const fns = set.flatMap((p) => p.functions.filter((f) => f.kind === need.kind));
      return fns.length === 0 || fns.some((fn) => need.io === void 0 || reaches(fn, need.io));
    });
    if (met) mask |= 1n << BigInt(i);
  });
  return mask;
}
function reaches(fn, bases2) {
  const claim = fn.claims.find((c) => c.resource === "io");
  if (!claim) return true;
  const { from } = claim;
  if (!from) return typeof claim.value === "number" && bases2.includes(claim.value);
  const values = "setting" in from ? Object.values(from.values) : from.rows.map((r) => r.value);
  return values.some((v) => v !== null && bases2.includes(v));
}

// src/lib/core/planner/services.ts
var MOST_CARDS = 4;
function driveNeeds(drives5) {
  const needs = (list2, fed2) => {
    const by = /* @__PURE__ */ new Map();
    for (const { drive } of list2) {
      const had = by.get(drive.interface) ?? { units: 0, rate: 0 };
      by.set(drive.interface, {
        units: had.units + 1,
        rate: Math.max(had.rate, drive.floppyKiB ? floppyRate(drive.floppyKiB) : 0)
      });
    }
    return [...by].map(([speaks2, n2]) => ({ kind: "drive", speaks: speaks2, ...n2, fed: fed2 }));
  };
  const fed = drives5.filter((d) => d.drive.plug === "cable");
  return [...needs(drives5, false), ...needs(fed, true)];
}
var wished = {
  network: ["network"],
  scsi: ["scsi"],
  midi: ["midi"],
  game: ["game"],
  modem: ["modem"],
  mouse: serving("mouse"),
  usb: ["usb"]
};
var wishedNeeds = (brief2) => (brief2.wishes ?? []).flatMap((w) => {
  const functions2 = w.kind === "have" ? wished[w.what] : void 0;
  return functions2 ? [{ kind: "function", functions: functions2 }] : [];
});
function functionChoices(brief2) {
  const names2 = [...new Set(brief2.profiles.flatMap((p) => p.wants?.functions ?? []))].slice(0, 6);
  const out2 = [];
  for (let set = (1 << names2.length) - 1; set >= 0; set--) {
    const chosen = names2.filter((_, i) => set & 1 << i);
    const functions2 = new Set(chosen.flatMap(serving));
    out2.push({
      needs: chosen.map((n2) => ({ kind: "function", functions: serving(n2) })),
      ...masksOf(brief2.profiles, { functions: functions2 }, ["ports"])
    });
  }
  return out2;
}
function left2(need, part) {
  if (need.kind === "function")
    return part.functions.some((f) => need.functions.includes(f.kind)) ? null : need;
  const units = part.functions.filter(
    (f) => f.speaks?.includes(need.speaks) && controllerRate(f.floppyKiB) >= need.rate && (!need.fed || f.feeds === true)
  ).reduce((n2, f) => n2 + (f.units ?? 2), 0);
  return need.units <= units ? null : units > 0 ? { ...need, units: need.units - units } : need;
}
var hasRom = (part) => part.functions.some((f) => f.claims.some((c) => c.resource === "memory" && c.use === "rom"));
var MET = -1;
var Services = class {
  /** @param must cards that are in every machine */
  constructor(pool, must) {
    this.pool = pool;
    this.must = must;
    const cards2 = [...pool.of("card")].sort(
      (a, b) => pool.weigh(a) - pool.weigh(b) || (a.id < b.id ? -1 : 1)
    );
    this.rank = new Map(cards2.map((card, i) => [card, i]));
  }
  pool;
  must;
  needs = [];
  numbers = /* @__PURE__ */ new Map();
  lefts = /* @__PURE__ */ new Map();
  helping = /* @__PURE__ */ new Map();
  known = /* @__PURE__ */ new Map();
  /** Cards in the order in which they are tried, the lightest first. */
  rank;
  /** The number of a need; the same for one that is the same. */
  number(need) {
    const key = JSON.stringify(need);
    const known3 = this.numbers.get(key);
    if (known3 !== void 0) return known3;
    const id2 = this.needs.push(need) - 1;
    this.numbers.set(key, id2);
    return id2;
  }
  /** What a part leaves of a need, wherever it is. */
  left(id2, part) {
    let by = this.lefts.get(part);
    if (!by) this.lefts.set(part, by = []);
    const known3 = by[id2];
    if (known3 !== void 0) return known3;
    const need = there(this.needs[id2]);
    const rest = left2(need, part);
    return by[id2] = rest === need ? id2 : rest ? this.number(rest) : MET;
  }
  /** What some parts leave of a need on a board. */
  rest(board3, id2, parts2) {
    const need = there(this.needs[id2]);
    const wantsRom = need.kind === "drive" && need.speaks !== "floppy" && this.isBare(board3);
    let rest = id2;
    for (const part of parts2) {
      if (rest === MET) break;
      if (!wantsRom || hasRom(part)) rest = this.left(rest, part);
    }
    return rest;
  }
  isBare({ board: board3 }) {
    return this.pool.get(board3.firmware ?? "")?.firmware?.disk.types === 0;
  }
  /** What some parts leave open on a board. */
  open(board3, list2, parts2) {
    return list2.map((id2) => this.rest(board3, id2, parts2)).filter((id2) => id2 !== MET);
  }
  /**
   * Which needs everything that finds a slot on a board could meet together, with some sound cards beside it: what
   * it says no to has no set of cards.
   * @returns for sound cards, those of the needs that could be met
   */
  servable(board3, needs) {
    const others = [board3, ...this.pool.of("card").filter((p) => !p.audio && seats(board3, p))];
    const rests = needs.map((id2) => ({ id: id2, rest: this.rest(board3, id2, others) }));
    const isMet = (rest, audio) => rest === MET || this.rest(board3, rest, audio) === MET;
    return (audio) => new Set(rests.filter(({ rest }) => isMet(rest, audio)).map(({ id: id2 }) => id2));
  }
  /** Cards beside display and sound that meet a need at least in part, on some board. */
  helpers(id2) {
    const known3 = this.helping.get(id2) ?? this.pool.of("card").filter((p) => !p.video && !p.audio && this.left(id2, p) !== id2);
    this.helping.set(id2, known3);
    return known3;
  }
  /**
   * Sets of cards that provide what a board and the cards so far leave open, each with no card to spare; for
   * each need the lightest of those that provide the same.
   */
  covers(board3, have, needs) {
    const first = this.open(board3, needs, [board3, ...have, ...this.must]);
    const key = `${slotsOf(board3)} ${this.isBare(board3)} ${first.join()}`;
    const known3 = this.known.get(key) ?? this.covering(board3, first);
    this.known.set(key, known3);
    return known3;
  }
  covering(board3, first) {
    const { must, pool } = this;
    const found = /* @__PURE__ */ new Map();
    const walk = (list2, chosen) => {
      const [need] = list2;
      if (need === void 0) {
        const parts2 = [...must, ...chosen];
        const key = idsOf(chosen).sort().join(" ");
        const weight = parts2.reduce((n2, p) => n2 + pool.weigh(p), 0);
        if (!found.has(key))
          found.set(key, { parts: parts2.map((part) => ({ part, count: 1 })), mask: 0n, soft: 0n, weight });
        return;
      }
      if (chosen.length === MOST_CARDS) return;
      const groups = /* @__PURE__ */ new Map();
      for (const part of this.helpers(need)) {
        if (chosen.includes(part) || must.includes(part) || !seats(board3, part)) continue;
        if (this.rest(board3, need, [part]) === need) continue;
        const rest = this.open(board3, list2, [part]);
        const key = `${part.card.bus} ${part.driver?.cpu ?? ""} ${rest.join()}`;
        const group = groups.get(key);
        if (group) group.push({ part, rest });
        else groups.set(key, [{ part, rest }]);
      }
      for (const group of groups.values())
        for (const { part, rest } of group.sort((a, b) => entryOf(this.rank, a.part) - entryOf(this.rank, b.part)).slice(0, ALIKE))
          walk(rest, [...chosen, part]);
    };
    walk(first, []);
    const all = [...found.values()];
    const isSpare = ({ parts: parts2 }) => all.some(
      (o) => o.parts.length < parts2.length && o.parts.every((p) => parts2.some((q) => q.part === p.part))
    );
    return all.filter((o) => !isSpare(o)).sort((a, b) => a.weight - b.weight || a.parts.length - b.parts.length);
  }
};
var slots2 = /* @__PURE__ */ new WeakMap();
function slotsOf(board3) {
  const known3 = slots2.get(board3) ?? JSON.stringify(board3.board.slots);
  slots2.set(board3, known3);
  return known3;
}
var idsOf = (parts2) => parts2.map((p) => p.id);
var seated = /* @__PURE__ */ new WeakMap();
function seats(board3, card) {
  const known3 = seated.get(board3) ?? /* @__PURE__ */ new WeakMap();
  seated.set(board3, known3);
  const answer = known3.get(card) ?? board3.board.slots.some((slot2) => fitsSlot(card, slot2));
  known3.set(card, answer);
  return answer;
}
var fitsSlot = (card, slot2) => obstacle(card, slot2) === null && narrowed(card, slot2) !== "untried" && untried(card, slot2) === null;

// src/lib/core/planner/assemble.ts
var partsOf = (c) => [
  ...c.base.parts,
  ...c.memory.parts,
  ...c.display.parts,
  ...c.audio.parts,
  ...c.storage.parts,
  ...c.services.parts
];
function assemble(pool, brief2, choice, trim) {
  const { board: board3 } = choice.base;
  const all = [...partsOf(choice), ...trim.map((part) => ({ part, count: 1, place: void 0 }))].filter(
    (p) => p.part !== board3
  );
  const slots3 = seatCards(
    board3,
    all.filter((p) => p.part.card).map((p) => p.part)
  );
  if (!slots3) return null;
  const names2 = /* @__PURE__ */ new Map();
  const nameFor = (part) => {
    const base = part.functions[0]?.kind === "system" ? part.kind : part.functions[0]?.kind ?? part.kind;
    const word = ["board", "system", "pnp"].includes(base) ? "part" : base;
    const n2 = (names2.get(word) ?? 0) + 1;
    names2.set(word, n2);
    return n2 === 1 ? word : `${word}-${n2}`;
  };
  const taken = /* @__PURE__ */ new Map();
  const provided = new Set(board3.functions.map((f) => f.kind));
  const items = all.map(({ part, count: count2, place: place2 }) => {
    const used = taken.get(part.id) ?? 0;
    taken.set(part.id, used + count2);
    const unit2 = pool.units(part.id)[used];
    const slot2 = slots3.get(part);
    const off = part.card ? twiceOff(part, provided) : {};
    part.functions.forEach((f) => provided.add(f.kind));
    return {
      id: nameFor(part),
      part: part.id,
      ...slot2 === void 0 ? {} : { slot: slot2 },
      ...place2 === void 0 ? {} : { place: place2 },
      ...count2 > 1 ? { count: count2 } : {},
      ...unit2 ? { specimen: unit2.specimen } : {},
      asFound: unit2?.asFound ?? {},
      chosen: off,
      locked: []
    };
  });
  const unit = pool.units(board3.id)[0];
  return {
    id: "plan",
    name: "Plan",
    brief: brief2,
    board: {
      id: "board",
      part: board3.id,
      ...unit ? { specimen: unit.specimen } : {},
      asFound: unit?.asFound ?? {},
      chosen: { ...choice.base.settings, ...displaySetting(choice) },
      locked: []
    },
    items: cabledMonitors(items, choice),
    shelf: [],
    neverTogether: [],
    resident: [],
    acknowledged: []
  };
}
function twiceOff(part, provided) {
  const out2 = {};
  for (const fn of part.functions) {
    if (!["floppy", "hard-disk", "game"].includes(fn.kind) || !provided.has(fn.kind)) continue;
    const match = fn.off[0];
    if (match) for (const [setting, positions] of Object.entries(match)) out2[setting] = there(positions[0]);
  }
  return out2;
}
function displaySetting(choice) {
  const told = choice.base.board.board.displaySwitch;
  const card = choice.display.parts.find((p) => p.part.video && p.part.video.standard !== "3d-only")?.part;
  if (!told) return {};
  const standard2 = card?.video?.standard ?? "vga";
  const wanted2 = standard2 === "mono" ? ["mono"] : standard2 === "cga" ? ["colour"] : ["own-bios", "any", "colour"];
  for (const word of wanted2) {
    const found = Object.entries(told.values).find(([, v]) => v === word);
    if (found) return { [told.setting]: found[0] };
  }
  return {};
}
function cabledMonitors(items, choice) {
  const card = choice.display.parts.find((p) => p.part.video && p.part.video.standard !== "3d-only")?.part;
  const monitor = choice.display.parts.find((p) => p.part.monitor)?.part;
  if (!card || !monitor) return items;
  const told = card.video?.monitorSwitch;
  if (!told || !card.video || !monitor.monitor) return items;
  const shows2 = chain(card.video, monitor.monitor).filter((c) => c.verdict === "shown").map((c) => c.mode.id);
  const wanted2 = shows2.includes("ega-350") ? ["enhanced-350"] : shows2.includes("mono-text") && !shows2.includes("cga-text") ? ["mono"] : ["colour", "enhanced-200"];
  const position = Object.entries(told.values).find(([, v]) => wanted2.includes(v))?.[0];
  return position === void 0 ? items : items.map(
    (i) => i.part === card.id ? { ...i, chosen: { ...i.chosen, [told.setting]: position } } : i
  );
}
function seatCards(board3, cards2) {
  const slots3 = board3.board.slots;
  const order3 = ["isa8", "agp", "isa16", "pci", "vlb", "memory-board", "pc-card"];
  const wanted2 = cards2.map((card) => ({
    card,
    slots: slots3.filter((slot2) => fitsSlot(card, slot2)).sort((a, b) => order3.indexOf(a.bus) - order3.indexOf(b.bus))
  })).sort((a, b) => a.slots.length - b.slots.length);
  const out2 = /* @__PURE__ */ new Map();
  const seated2 = [];
  const place2 = (i) => {
    if (i === wanted2.length) return true;
    for (const slot2 of there(wanted2[i]).slots) {
      const seat = { part: there(wanted2[i]).card, slot: slot2 };
      if (seated2.some((s2) => excludeEachOther(s2, seat))) continue;
      seated2.push(seat);
      out2.set(there(wanted2[i]).card, slot2.id);
      if (place2(i + 1)) return true;
      seated2.pop();
    }
    return false;
  };
  return place2(0) ? out2 : null;
}
function withTrim(pool, build, trim) {
  const items = trim.map((part) => {
    const unit = pool.units(part.id)[0];
    return {
      id: part.kind,
      part: part.id,
      ...unit ? { specimen: unit.specimen } : {},
      asFound: {},
      chosen: {},
      locked: []
    };
  });
  return { ...build, items: [...build.items, ...items] };
}
var MOST_TRIMS = 24;
function trims(pool, choice, build, parts2) {
  const facts2 = choice.base.board.board;
  const { rails: needs } = powerOf(kitOf(build, parts2));
  const cases = sortOf(pool, "case", (p) => !boardInCase(facts2, p.chassis));
  const supplies = sortOf(pool, "supply", (p) => {
    const { form: form4, rails: rails2 } = p.supply;
    const plugs3 = !facts2.powerPlug || facts2.powerPlug === "either" || form4 === "atx" === (facts2.powerPlug === "atx");
    return plugs3 && needs.every((r) => r.amps <= rails2[r.rail] || r.rail === "v3" && rails2.v3 === 0);
  });
  const keyboards = sortOf(
    pool,
    "keyboard",
    (p) => facts2.keyboard?.protocols.some((x) => p.keyboard.protocols.includes(x)) ?? true
  );
  if (!cases || !supplies || !keyboards) return [];
  const fits = (chassis, supply) => !chassis || !supply || chassis.chassis.supply.includes(supply.supply.form);
  const weightOf = (part) => part ? pool.weigh(part) : 0;
  const otherPlug = weighSides({ cautions: 1 }, pool.weights);
  const pairs3 = lightest(
    cases.flatMap(
      (chassis) => supplies.filter((supply) => fits(chassis, supply)).map((supply) => ({ trim: [chassis, supply], weight: weightOf(chassis) + weightOf(supply) }))
    )
  );
  const typing = lightest(
    keyboards.map((keyboard2) => {
      const isOther = keyboard2 && facts2.keyboard && keyboard2.keyboard.plug !== facts2.keyboard.plug;
      return { trim: [keyboard2], weight: weightOf(keyboard2) + (isOther ? otherPlug : 0) };
    })
  );
  return lightest(
    pairs3.flatMap(
      (pair2) => typing.map((keyboard2) => ({
        trim: [...pair2.trim, ...keyboard2.trim].filter((p) => p !== null),
        weight: pair2.weight + keyboard2.weight
      }))
    )
  );
}
var lightest = (list2) => list2.sort((a, b) => a.weight - b.weight).slice(0, MOST_TRIMS);
function sortOf(pool, kind2, fits) {
  const all = pool.of(kind2);
  if (!all.length) return [null];
  const fixed = all.filter((p) => pool.fixed.has(p.id));
  const good = (fixed.length ? fixed : [...all]).filter(fits);
  return good.length ? good.sort((a, b) => pool.weigh(a) - pool.weigh(b) || (a.id < b.id ? -1 : 1)) : null;
}

// src/lib/core/sundries/index.ts
var WARM_W = 3.5;
var HOT_W = 5.5;
var cooler = (kit) => {
  const { cpu: cpu2 } = kit;
  const need = cpu2?.power;
  if (!cpu2 || !need) return [];
  const watts = 5 * need.v5 + 3.3 * need.v3;
  return watts >= WARM_W ? [{ kind: "cooler", cpu: thingOf({ part: cpu2 }), fan: watts >= HOT_W, watts }] : [];
};
var cables = (kit) => chainsOf(kit).map(({ family: family3, controller, ribbon, drives: drives5 }) => {
  const edge = drives5.filter(({ drive: { part } }) => {
    const { floppyKiB, interface: speaks2 } = part.drive;
    return speaks2 === "floppy" ? floppyKiB === 360 || floppyKiB === 1200 : family3 === "st506";
  }).length;
  const ends = drives5.filter((d) => d.isEnd);
  return {
    kind: "cable",
    family: family3,
    controller: controller.owner,
    ribbon,
    plugs: { edge, pins: drives5.length - edge },
    isOutside: drives5.some((d) => d.isOutside),
    terminator: family3 === "scsi" && ribbon !== "end-terminator" && ends.some((d) => d.terminated !== true)
  };
});
var battery2 = ({ facts: facts2 }) => facts2.battery === "coin" ? [{ kind: "battery", of: "coin" }] : facts2.battery === "barrel" || facts2.battery === "pack" ? [{ kind: "battery", of: "pack" }] : [];
var cdLead = (kit) => {
  const card = kit.m.fitted.find((f) => !f.misfit && f.part.audio);
  return cablesOf(kit).flatMap(
    ({ drive }) => drive.part.drive.medium === "optical" && card ? [{ kind: "cd-lead", drive: thingOf(drive), card: thingOf(card) }] : []
  );
};
var adapters = (findings2) => findings2.flatMap((f) => {
  switch (f.rule) {
    case "keyboard.plug":
      return [{ kind: "keyboard-adapter", board: f.facts.board === "din5" ? "din5" : "mini6" }];
    case "power.form":
      return f.facts.has === "atx" ? [{ kind: "power-adapter" }] : [];
    case "power.plugs":
      return [{ kind: "power-leads", count: f.facts.missing }];
    case "bay.rails":
      return [{ kind: "rails", drive: f.facts.drive }];
    default:
      return [];
  }
});
var sundriesOf = (kit, findings2) => [
  ...cables(kit),
  ...cdLead(kit),
  ...cooler(kit),
  ...adapters(findings2),
  ...battery2(kit)
];

// src/lib/core/planner/leaf.ts
var LINE_NODES = 2e4;
var programOf2 = (f) => registry[f.rule].about === "program" && "profile" in f.facts ? f.facts.profile : null;
var endsPlan = (f) => {
  const { about: about2, notPlanned } = registry[f.rule];
  return about2 === "wish" || notPlanned === true || about2 !== "program" && isBad(f);
};
function workOut(pool, brief2, choice, parts2) {
  const assembled = assemble(pool, brief2, choice, []);
  const bare2 = assembled && planned(assembled, parts2);
  if (!bare2) return { plan: null, reason: { kind: "no-slots" } };
  const result = resolve(bare2, parts2, { alternatives: 0, relaxations: 0, maxNodes: LINE_NODES });
  if (result.status !== "solved") {
    const item = (id2) => bare2.items.find((i) => i.id === id2)?.part;
    const nogood = result.status === "impossible" && result.minimal ? [...new Set(result.core.flatMap((c) => item(c.item) ?? []))] : void 0;
    return { plan: null, reason: { kind: "lines" }, nogood };
  }
  const set = choose(bare2, result);
  let best = null;
  let reason = null;
  for (const { trim, weight } of trims(pool, choice, set, parts2)) {
    if (best && weight >= best.weight + weighSides({ cautions: best.plan.criteria.cautions }, pool.weights))
      break;
    const build = withTrim(pool, set, trim);
    const findings2 = check(build, parts2);
    const against = findings2.filter(endsPlan);
    if (!against.length) {
      const plan2 = planOf(pool, brief2, kitOf(build, parts2), choice, trim, findings2, result.moves.length);
      if (!best || plan2.score < best.plan.score) best = { plan: plan2, weight };
      continue;
    }
    reason ??= { kind: "finding", finding: there(against[0]) };
    if (!against.every((f) => registry[f.rule].enclosure)) break;
  }
  return { plan: best?.plan ?? null, reason: reason ?? { kind: "enclosure" } };
}
function planOf(pool, brief2, kit, choice, trim, findings2, moves) {
  const { build } = kit;
  const roles = [
    ["base", choice.base.parts],
    ["memory", choice.memory.parts],
    ["display", choice.display.parts],
    ["audio", choice.audio.parts],
    ["storage", choice.storage.parts],
    ["services", choice.services.parts],
    ["trim", trim.map((part) => ({ part, count: 1 }))]
  ];
  const chosen = roles.flatMap(
    ([role, list2]) => tally(list2).map(({ part, count: count2 }) => pool.choose(entryOf(pool, part.id), count2, role))
  );
  const about2 = (profile, severe) => findings2.find((f) => programOf2(f) === profile && f.severity === "clash" === severe);
  const missed = brief2.profiles.flatMap((p) => {
    const finding = about2(p.id, true);
    return finding ? [{ profile: p.id, finding }] : [];
  });
  const rough = brief2.profiles.flatMap((p) => {
    const finding = missed.some((m) => m.profile === p.id) ? void 0 : about2(p.id, false);
    return finding ? [{ profile: p.id, finding }] : [];
  });
  const used = [...tally(partsOf(choice)).map((p) => p.part), ...trim.map((t) => entryOf(pool, t.id))];
  const criteria = {
    missed: missed.length,
    rough: rough.length,
    years: used.reduce((n2, p) => n2 + pool.years(p), 0),
    bought: chosen.reduce((n2, c) => n2 + c.count - c.onShelf, 0),
    cost: chosen.reduce((n2, c) => n2 + c.cost, 0),
    slots: build.items.filter((i) => i.slot !== void 0).length,
    cautions: findings2.filter(
      (f) => f.severity === "caution" && !["program", "period"].includes(registry[f.rule].about)
    ).length
  };
  const strict = brief2.strictness === "convenient" ? 0.2 : 1;
  return {
    build,
    chosen,
    criteria,
    score: weighSides({ ...criteria, years: criteria.years * strict }, pool.weights),
    met: brief2.profiles.map((p) => p.id).filter((id2) => !missed.some((m) => m.profile === id2)),
    missed,
    rough,
    moves,
    sundries: sundriesOf(kit, findings2)
  };
}

// src/lib/core/planner/roles.ts
var together2 = (a, b) => ({
  weight: a.weight + b.weight,
  mask: a.mask & b.mask,
  soft: a.soft | b.soft
});
var reachOf3 = (list2) => ({
  least: list2.length ? Math.min(...list2.map((o) => o.weight)) : Infinity,
  any: list2.reduce((m, o) => m | o.mask, 0n)
});
function rolesOf(last, roles) {
  const out2 = [];
  let rest = last;
  for (const role of [...roles].reverse()) {
    out2.unshift({ ...role, rest });
    const { reach: reach3 } = role;
    if (reach3) rest = { least: rest.least + reach3.least, any: rest.any & reach3.any };
  }
  return out2;
}
function choose2([first, ...behind], chosen, before, bounds, then) {
  if (!first) return then(chosen, before);
  const { role, admits } = first;
  branch(branchesOf(first, chosen, before, bounds), bounds.room, ({ option, now }) => {
    const next = { ...chosen, [role]: option };
    if (admits?.(next) ?? true) choose2(behind, next, now, bounds, then);
    return false;
  });
}
function* branchesOf({ options, reach: reach3, rest }, chosen, before, { of: of2 }) {
  const any = reach3 && before.mask & reach3.any & rest.any;
  for (const option of options(chosen)) {
    const now = together2(before, option);
    const weight = now.weight + rest.least;
    yield {
      option,
      now,
      hope: of2({ weight, mask: now.mask & rest.any, soft: now.soft }),
      // Options come lightest first: when one is too heavy even if it met everything, so are those behind it.
      behind: any === null ? -Infinity : of2({ weight, mask: any, soft: before.soft })
    };
  }
}

// src/lib/core/planner/storages.ts
function storages(pool, brief2) {
  const drives5 = pool.of("drive");
  const { windows: windows2 } = systemOf(brief2.os);
  const of2 = (test) => drives5.filter((p) => test(p.drive));
  const one = (parts2, key) => narrowed2(
    pool,
    parts2.map((part) => ({
      parts: [{ part, count: 1 }],
      ...masksOf(brief2.profiles, { diskMiB: Math.floor((part.drive.sectors ?? 0) / 2048), cdrom: true }, [
        "storage"
      ]),
      weight: pool.weigh(part)
    })),
    (o) => `${key(there(o.parts[0]).part)} ${o.mask} ${o.soft}`
  ).map((o) => there(o.parts[0]).part);
  const hards = one(
    of2(
      (d) => (d.medium === "hard" || d.medium === "flash") && // Its adapters are rare, and any other is damaged by it.
      d.scsi?.signals !== "differential" && suitsSystem(brief2.os, { diskMiB: Math.floor((d.sectors ?? 0) / 2048) })
    ),
    (p) => `${p.drive.interface} ${p.drive.medium}`
  );
  const opticals = one(
    of2((d) => d.medium === "optical"),
    (p) => `${p.drive.interface} ${p.driver?.cpu ?? ""}`
  );
  const floppies4 = one(
    of2((d) => d.interface === "floppy"),
    (p) => `${p.drive.floppyKiB} ${p.drive.medium}`
  );
  const wishes2 = (brief2.wishes ?? []).flatMap((w) => w.kind === "have" ? [w.what] : []);
  const mustCd = wishes2.includes("cdrom");
  const wantsCd = mustCd || brief2.profiles.some((p) => p.wants?.cdrom) || fixedOf2(pool, (d) => d.medium === "optical");
  const wantsPair = wishes2.includes("floppy-3") || wishes2.includes("floppy-5") || fixedOf2(pool, (d) => d.interface === "floppy") || brief2.profiles.some((p) => p.wants?.floppyKiB);
  const pairs3 = wantsPair ? floppies4.flatMap(
    (a, i) => floppies4.slice(i + 1).filter((b) => b.drive.floppyKiB !== a.drive.floppyKiB).map((b) => [a, b])
  ) : [];
  const mustTurn = (brief2.wishes ?? []).some((w) => w.kind === "real-disk");
  const mustBeQuiet = (brief2.wishes ?? []).some((w) => w.kind === "quiet");
  const needsDisk = windows2 !== null || mustTurn;
  const sizes = wishes2.flatMap((w) => w === "floppy-5" || w === "floppy-3" ? [floppySizes[w]] : []);
  const meetsWishes = (set) => sizes.every((size2) => set.some((f) => size2.includes(f.drive.floppyKiB ?? 0)));
  const known3 = /* @__PURE__ */ new Map();
  const masks = (hard2, cdrom, floppies5) => {
    const diskMiB = hard2 ? Math.floor((hard2.drive.sectors ?? 0) / 2048) : null;
    const key = `${diskMiB} ${cdrom} ${floppies5.join()}`;
    const found = known3.get(key) ?? masksOf(brief2.profiles, { diskMiB, cdrom, floppies: floppies5 }, ["storage"]);
    known3.set(key, found);
    return found;
  };
  const options = [];
  for (const hard2 of [
    ...needsDisk ? [] : [null],
    ...hards.filter(
      ({ drive }) => (!mustTurn || drive.medium === "hard") && (!mustBeQuiet || drive.medium !== "hard")
    )
  ])
    for (const optical of mustCd ? opticals : wantsCd ? [null, ...opticals] : [null])
      for (const set of [...floppies4.map((f) => [f]), ...pairs3].filter(meetsWishes)) {
        const parts2 = [hard2, optical, ...set].filter((p) => p !== null);
        options.push({
          parts: parts2.map((part) => ({ part, count: 1 })),
          ...masks(
            hard2,
            optical !== null,
            set.flatMap((f) => mediaOf(f.drive.floppyKiB ?? 0).reads)
          ),
          weight: parts2.reduce((n2, p) => n2 + pool.weigh(p), 0)
        });
      }
  const kept = withFixed(pool, options, (p) => p.kind === "drive");
  return narrowed2(
    pool,
    kept,
    (o) => `${o.parts.map((p) => p.part.drive.interface + (p.part.drive.floppyKiB ?? "")).join()} ${o.mask} ${o.soft}`
  );
}
var fixedOf2 = (pool, test) => [...pool.fixed].some((id2) => {
  const drive = pool.get(id2)?.drive;
  return drive !== void 0 && test(drive);
});

// src/lib/core/planner/search.ts
var DEFAULT_LEAVES = 600;
var DEFAULT_STEPS = 4e5;
function search(request, limits2 = {}, any = false, beat = Infinity) {
  const pool = poolOf(request, request.weights ?? middleWeights);
  const run = new Run(pool, request.brief, partSet(request.parts), limits2, any, beat);
  const exact = attempt(
    () => (run.all(), true),
    () => any && run.best !== null
  );
  return { best: run.best, sound: run.sound, exact, machines: run.machines, reasons: run.reasons };
}
var isMemoryCard = ({ functions: functions2 }) => functions2.some((f) => f.kind === "ems" && f.memoryKiB);
var driversRun = ({ parts: parts2 }, family3) => family3 === void 0 || parts2.every(({ part: { driver: driver3 } }) => !driver3 || runs(family3, driver3.cpu));
var Run = class {
  constructor(pool, brief2, parts2, limits2, any, beat) {
    this.pool = pool;
    this.brief = brief2;
    this.parts = parts2;
    this.limits = limits2;
    this.any = any;
    this.beat = beat;
    this.steps = new Budget2(limits2.maxSteps ?? DEFAULT_STEPS, limits2.shouldStop);
    this.full = (1n << BigInt(brief2.profiles.length)) - 1n;
    this.audio = audios(pool, brief2);
    this.storage = storages(pool, brief2);
    this.must = pool.of("card").filter((p) => pool.fixed.has(p.id) && !p.video && !p.audio && !isMemoryCard(p));
    this.services = new Services(pool, this.must);
    const number = (need) => this.services.number(need);
    this.choices = functionChoices(brief2).map((c) => ({ ...c, needs: c.needs.map(number) }));
    this.wished = wishedNeeds(brief2).map(number);
    this.asks = new Map(
      this.storage.map((o) => [o, [...driveNeeds(o.parts.map((p) => p.part)).map(number), ...this.wished]])
    );
    this.points = {
      missed: weighSides({ missed: 1 }, pool.weights),
      rough: weighSides({ rough: 1 }, pool.weights)
    };
    this.freeDisplays = displays(pool, brief2, null);
    this.spare = Math.max(0, ...(brief2.wishes ?? []).map((w) => w.kind === "spare-slots" ? w.count : 0));
    const least2 = (kind2) => Math.min(...pool.of(kind2).map((p) => pool.weigh(p)), Infinity);
    const trims2 = ["case", "supply", "keyboard"];
    const sum3 = (of2) => trims2.map(of2).filter(Number.isFinite).reduce((a, b) => a + b, 0);
    this.trimLeast = sum3(least2);
    this.trimCost = sum3((kind2) => Math.min(...pool.of(kind2).map((p) => pool.price(p, 1).cost), Infinity));
    this.cheapest = Math.min(...this.storage.map((o) => this.costOf(o)), Infinity) + this.trimCost;
    this.storageReach = reachOf3(this.storage);
    this.audioReach = reachOf3(this.audio);
  }
  pool;
  brief;
  parts;
  limits;
  any;
  beat;
  best = null;
  sound = [];
  machines = 0;
  counted = /* @__PURE__ */ new Map();
  full;
  audio;
  storage;
  choices;
  freeDisplays;
  ownDisplays = /* @__PURE__ */ new Map();
  /** Fixed cards of no other role. */
  must;
  trimLeast;
  /** What case, supply and keyboard cost at the least. */
  trimCost;
  storageReach;
  audioReach;
  /** What storage, case, supply and keyboard cost at the least. */
  cheapest;
  /** Slots that a wish keeps free. */
  spare;
  /** For each board, sets of cards of which was shown that they cannot live together on it. */
  nogoods = /* @__PURE__ */ new Map();
  services;
  /** What a choice of drives asks, with the wishes. */
  asks;
  /** Functions that a wish asks. */
  wished;
  /** Points of the score for a program that is missed, and for one that runs roughly. */
  points;
  servedOn = /* @__PURE__ */ new Map();
  bayed = /* @__PURE__ */ new Map();
  steps;
  /** Score below which nothing with this weight and these programs can come. */
  bound({ weight, mask, soft: soft2 }) {
    const met = mask & this.full;
    const missed = this.brief.profiles.length - bits(met);
    return weight + missed * this.points.missed + bits(soft2 & met) * this.points.rough;
  }
  /** What a score has to be below to be better than the best so far. */
  room = () => (this.best?.score ?? this.beat) - 1e-9;
  all() {
    const rest = this.storageReach.least + this.audioReach.least + this.trimLeast;
    const any = this.audioReach.any & this.storageReach.any;
    const ordered2 = bases(this.pool, this.brief).filter(({ board: board3 }) => this.hasTrim(board3) && this.canServe(board3)).map((base) => {
      const { weight, mask, soft: soft2 } = base;
      const hope = this.bound({ weight: weight + rest, mask: mask & any, soft: soft2 });
      return { base, hope, behind: hope };
    }).sort((a, b) => a.hope - b.hope);
    let seen3 = 0;
    branch(ordered2, this.room, ({ base }) => {
      this.limits.progress?.({
        done: seen3++ / ordered2.length,
        machines: this.machines,
        best: this.best?.score ?? null
      });
      this.steps.spend();
      this.steps.ask();
      return this.onBase(base);
    });
  }
  onBase(base) {
    if (this.isBeyond(base)) return this.note({ kind: "budget" });
    const served = this.served(base);
    if (![...served.values()].some((list2) => list2.length))
      return this.note({ kind: this.bayedOn(base.board).includes(true) ? "services" : "enclosure" });
    const bounds = { of: (weight) => this.bound(weight), room: this.room };
    choose2(
      this.rolesOn(base, served),
      { base },
      base,
      bounds,
      (chosen, weight) => this.withServices(chosen, weight)
    );
  }
  /** What is chosen for a board one after the other, each with what those behind it weigh and meet at best. */
  rolesOn(base, served) {
    const shown2 = this.displaysOf(base.board);
    return rolesOf({ least: this.trimLeast, any: this.full }, [
      { role: "memory", options: () => memories(this.pool, base, this.brief), reach: null },
      {
        role: "display",
        options: () => shown2,
        reach: reachOf3(shown2),
        admits: ({ memory: memory3, display }) => !this.isBeyond(base, sure(memory3, "memory"), sure(display, "display"))
      },
      {
        role: "audio",
        options: () => this.soundOn(base.board),
        reach: this.audioReach
      },
      {
        role: "storage",
        options: ({ audio }) => served.get(sure(audio, "audio")) ?? [],
        reach: this.storageReach
      }
    ]);
  }
  /** Choices of sound whose card finds a slot on a board. Each that is looked at counts as a step. */
  *soundOn(board3) {
    for (const audio of this.audio) {
      this.steps.spend();
      if (audio.parts.every(({ part }) => !part.card || seats(board3, part))) yield audio;
    }
  }
  /** Whether some choices and the cheapest of the rest cost more than the budget. */
  isBeyond(...chosen) {
    const { budget } = this.brief;
    if (budget === void 0) return false;
    return chosen.reduce((sum3, o) => sum3 + this.costOf(o), 0) + this.cheapest > budget;
  }
  /** Whether a case, a supply and a keyboard for a board are to be had at all. */
  hasTrim(board3) {
    const facts2 = board3.board;
    const some = (kind2, fits) => {
      const all = this.pool.of(kind2);
      return all.length === 0 || all.some(fits);
    };
    const forms3 = this.pool.of("case").filter((p) => !boardInCase(facts2, p.chassis));
    const plug = facts2.powerPlug;
    const supply = (p) => (!plug || plug === "either" || p.supply.form === "atx" === (plug === "atx")) && (forms3.length === 0 || forms3.some((c) => c.chassis.supply.includes(p.supply.form)));
    return some("case", (p) => forms3.includes(p)) && some("supply", supply) && some("keyboard", (p) => facts2.keyboard?.protocols.some((x) => p.keyboard.protocols.includes(x)) ?? true);
  }
  /** For each choice of drives whether a case for a board has a bay for all of them. */
  bayedOn({ board: board3 }) {
    const key = `${board3.form} ${board3.slotSpacing}`;
    const known3 = this.bayed.get(key);
    if (known3) return known3;
    const all = this.pool.of("case");
    const cases = all.filter(({ chassis }) => !boardInCase(board3, chassis));
    const out2 = this.storage.map(({ parts: parts2 }) => {
      const drives5 = parts2.flatMap(({ part, count: count2 }) => Array.from({ length: count2 }, () => part.drive));
      const holds = ({ chassis }) => placeIn(chassis, drives5, (d) => d.bay, drives5.length).every(({ bay }) => bay !== null);
      return all.length === 0 || cases.some(holds);
    });
    this.bayed.set(key, out2);
    return out2;
  }
  /**
   * For each choice of sound the drives that something can run beside it on a board, and what the brief wants beside
   * them; known before memory and display are gone through.
   */
  served(base) {
    const family3 = this.familyOf(base);
    const key = `${base.board.id} ${family3}`;
    const known3 = this.servedOn.get(key);
    if (known3) return known3;
    const asked2 = [...new Set([...this.asks.values()].flat())];
    const could = this.services.servable(base.board, asked2);
    const bays3 = this.bayedOn(base.board);
    const drives5 = this.storage.filter((o, i) => bays3[i] && driversRun(o, family3));
    const out2 = /* @__PURE__ */ new Map();
    const lists2 = /* @__PURE__ */ new Map();
    for (const audio of this.audio) {
      const met = could(audio.parts.map((p) => p.part));
      const same = [...met].join();
      const list2 = lists2.get(same) ?? drives5.filter((o) => entryOf(this.asks, o).every((n2) => met.has(n2)));
      lists2.set(same, list2);
      out2.set(audio, list2);
    }
    this.servedOn.set(key, out2);
    return out2;
  }
  familyOf({ board: board3, cpu: cpu2 }) {
    return (cpu2 ?? this.pool.cpuOf(board3))?.cpu.family;
  }
  /** Whether the cards that must be in find slots on a board, and what the brief wants can be provided. */
  canServe(board3) {
    if (!seatCards(board3, this.must)) return false;
    const have = this.pool.parts.filter((p) => p.audio && p.card && seats(board3, p));
    return this.services.covers(board3, have, this.wished).length > 0;
  }
  displaysOf(board3) {
    const all = hasFacts(board3, "video") ? this.own(board3) : this.freeDisplays;
    return all.filter((o) => o.parts.every((p) => !p.part.card || seats(board3, p.part))).sort((a, b) => a.weight - b.weight);
  }
  own(board3) {
    const known3 = this.ownDisplays.get(board3.id) ?? displays(this.pool, this.brief, board3);
    this.ownDisplays.set(board3.id, known3);
    const canBeOff2 = board3.functions.some((f) => f.kind === "display" && f.off.length);
    return canBeOff2 && [...this.pool.fixed].some((id2) => this.pool.get(id2)?.video) ? [...known3, ...this.freeDisplays] : known3;
  }
  withServices(chosen, { weight, mask, soft: soft2 }) {
    const { base, memory: memory3, display, audio, storage } = chosen;
    const have = [...memory3.parts, ...display.parts, ...audio.parts].map((p) => p.part);
    const fixed = entryOf(this.asks, storage);
    const tried = /* @__PURE__ */ new Set();
    const least2 = weight + this.trimLeast;
    for (const choice of this.choices) {
      const met = { mask: mask & choice.mask, soft: soft2 | choice.soft };
      if (this.bound({ ...met, weight: least2 }) >= this.room()) continue;
      const sets = this.services.covers(base.board, have, [...fixed, ...choice.needs]);
      branch(this.weighed(sets, least2, met), this.room, ({ services }) => {
        const key = services.parts.map((p) => p.part.id).join(" ");
        if (!tried.has(key)) this.whole({ ...chosen, services });
        tried.add(key);
        return false;
      });
    }
  }
  /** Sets of cards, the lightest first. Each that is looked at counts as a step. */
  *weighed(sets, least2, met) {
    for (const services of sets) {
      this.steps.spend();
      const hope = this.bound({ ...met, weight: least2 + services.weight });
      yield { services, hope, behind: hope };
    }
  }
  /** A machine to which nothing is missing but case, supply and keyboard. */
  whole(choice) {
    const { budget } = this.brief;
    if (this.isKnownBad(choice) || !this.leavesSlots(choice)) return;
    if (!driversRun(choice.services, this.familyOf(choice.base))) return;
    if (budget !== void 0 && this.cost(choice) + this.trimCost > budget)
      return this.note({ kind: "budget" });
    this.leaf(choice, budget);
  }
  /** Whether as many slots stay free as the brief wants. */
  leavesSlots(choice) {
    const cards2 = partsOf(choice).filter((p) => p.part.card).length;
    return choice.base.board.board.slots.length - cards2 >= this.spare;
  }
  costOf(option) {
    return tally(option.parts).reduce((n2, p) => n2 + this.pool.price(p.part, p.count).cost, 0);
  }
  cost(choice) {
    return tally(partsOf(choice)).reduce((n2, p) => n2 + this.pool.price(p.part, p.count).cost, 0);
  }
  /** What stood against the machines, the most frequent first; a rule with the same facts is one reason. */
  get reasons() {
    return [...this.counted.values()].sort((a, b) => b.count - a.count).map(({ reason }) => reason);
  }
  note(reason) {
    const key = reason.kind === "finding" ? `${reason.finding.rule} ${JSON.stringify(reason.finding.facts)}` : JSON.stringify(reason);
    const known3 = this.counted.get(key);
    if (known3) known3.count++;
    else this.counted.set(key, { reason, count: 1 });
  }
  isKnownBad(choice) {
    const bad2 = this.nogoods.get(choice.base.board.id);
    if (!bad2) return false;
    const there2 = new Set(partsOf(choice).map((p) => p.part.id));
    return bad2.some((set) => set.every((id2) => there2.has(id2)));
  }
  leaf(choice, budget) {
    this.steps.ask();
    if (this.machines >= (this.limits.maxLeaves ?? DEFAULT_LEAVES)) stop();
    this.machines++;
    const { plan: plan2, reason, nogood } = workOut(this.pool, this.brief, choice, this.parts);
    if (nogood) {
      const { id: id2 } = choice.base.board;
      this.nogoods.set(id2, [...this.nogoods.get(id2) ?? [], nogood]);
    }
    if (!plan2) return this.note(reason ?? { kind: "misfit" });
    if (budget !== void 0 && plan2.criteria.cost > budget) return this.note({ kind: "budget" });
    this.sound.push(plan2);
    if (plan2.score < this.room()) {
      this.best = plan2;
      if (this.any) stop();
    }
  }
};

// src/lib/core/planner/plan.ts
var MOST_PLANS = 6;
var OTHER_BOARDS = 2;
var SIDE_LEAVES = 60;
var SIDE_STEPS = 2e4;
var CHEAPEST = 1e3;
var views = [
  { cost: 10 },
  { period: 10 },
  { shelf: 10 },
  { profiles: 10, speed: 10 },
  { slots: 10 }
];
function plan(request, limits2 = {}) {
  const weights = request.weights ?? middleWeights;
  const rounds = 1 + views.length;
  let round2 = 0;
  const told = (p) => limits2.progress?.({ ...p, done: (round2 + p.done) / rounds });
  const within = { ...limits2, progress: told };
  const aside = { ...limits2, progress: void 0, maxLeaves: SIDE_LEAVES, maxSteps: SIDE_STEPS };
  let first = search(request, within);
  if (!first.best && request.brief.budget !== void 0) first = affordable(request, weights, first, within);
  if (!first.best) {
    const drops = first.exact ? whatToDrop(request, limits2) : [];
    return { plans: [], exact: first.exact, machines: first.machines, reasons: first.reasons, drops };
  }
  const found = [first.best];
  const passed = [...first.sound];
  let machines = first.machines;
  const requests = views.map((view) => ({ ...request, weights: { ...weights, ...view } }));
  for (const next of requests) {
    round2++;
    if (limits2.shouldStop?.()) break;
    const beat = Math.min(...found.map((p) => scoreOf(p.criteria, next)));
    const got = search(next, { ...aside, progress: told }, false, beat);
    machines += got.machines;
    if (got.best) found.push(got.best);
    passed.push(...got.sound);
  }
  for (let n2 = 0; n2 < OTHER_BOARDS && kinds(found).size < MOST_PLANS; n2++) {
    if (limits2.shouldStop?.()) break;
    const boards = [...new Set(found.map((p) => p.build.board.part))].filter(
      (b) => !fixedParts(request).has(b)
    );
    const got = search({ ...request, excluded: [...request.excluded ?? [], ...boards] }, aside);
    machines += got.machines;
    if (!got.best) break;
    found.push(got.best);
    passed.push(...got.sound);
  }
  const rated = (plans) => plans.map((p) => ({ ...p, score: scoreOf(p.criteria, request) }));
  const { missed } = first.best.criteria;
  const ways2 = rated(passed.filter((p) => p.criteria.missed <= missed)).sort((a, b) => a.score - b.score);
  return { plans: front([...rated(found), ...ways2]), exact: first.exact, machines, reasons: [], drops: [] };
}
function affordable(request, weights, none, limits2) {
  const { budget = Infinity, ...brief2 } = request.brief;
  const cheapest2 = { ...request, weights: { ...weights, cost: CHEAPEST } };
  const cheap = search(cheapest2, limits2);
  const aside = { ...limits2, progress: void 0, maxLeaves: SIDE_LEAVES, maxSteps: SIDE_STEPS };
  const found = cheap.best ? cheap.sound : [request, cheapest2, { ...request, weights: { ...weights, cost: 10 } }].flatMap(
    (r) => search({ ...r, brief: brief2 }, aside).sound
  );
  const [best] = found.filter((p) => p.criteria.cost <= budget).map((p) => ({ ...p, score: scoreOf(p.criteria, request) })).sort((a, b) => a.score - b.score);
  if (best) return { ...cheap, best, sound: found.filter((p) => p.criteria.cost <= budget), exact: false };
  return cheap.exact ? cheap : none;
}
function scoreOf(criteria, request) {
  const strict = request.brief.strictness === "convenient" ? 0.2 : 1;
  return weighSides({ ...criteria, years: criteria.years * strict }, request.weights ?? middleWeights);
}
var kindOf2 = (p) => p.chosen.filter((c) => c.role === "base" || c.role === "display" || c.role === "audio").map((c) => c.part).join(" ");
var kinds = (plans) => new Set(plans.map(kindOf2));
var dominates = (a, b) => sides.every((s2) => a[s2] <= b[s2]) && sides.some((s2) => a[s2] < b[s2]);
var ON_ONE_BOARD = 2;
function front(plans) {
  const [best] = plans;
  const chosen = [];
  const taken = /* @__PURE__ */ new Set();
  const onBoard = /* @__PURE__ */ new Map();
  for (const p of plans) {
    if (chosen.length === MOST_PLANS) break;
    const board3 = p.build.board.part;
    const here = onBoard.get(board3) ?? 0;
    if (taken.has(kindOf2(p)) || here === ON_ONE_BOARD) continue;
    if (p !== best && plans.some((q) => dominates(q.criteria, p.criteria))) continue;
    chosen.push(p);
    taken.add(kindOf2(p));
    onBoard.set(board3, here + 1);
  }
  return chosen.sort((a, b) => a === best ? -1 : b === best ? 1 : a.score - b.score);
}
function demands(request) {
  const { brief: brief2 } = request;
  return [
    ...(brief2.wishes ?? []).map((_, wish) => ({ id: `wish-${wish}`, kind: "wish", wish })),
    ...(brief2.strictness ?? "spirit") !== "convenient" && brief2.date ? [{ id: "strict", kind: "strict" }] : [],
    ...brief2.source === "shelf" ? [{ id: "shelf", kind: "shelf" }] : [],
    ...brief2.budget !== void 0 ? [{ id: "budget", kind: "budget" }] : [],
    ...(request.fixed ?? []).map((part) => ({ id: `fixed-${part}`, kind: "fixed", part }))
  ];
}
function keeping(request, kept) {
  const has3 = (id2) => kept.some((d) => d.id === id2);
  const { brief: brief2 } = request;
  const { budget, ...rest } = brief2;
  const made2 = {
    ...rest,
    ...budget !== void 0 && has3("budget") ? { budget } : {},
    wishes: (brief2.wishes ?? []).filter((_, i) => has3(`wish-${i}`)),
    strictness: has3("strict") ? brief2.strictness : "convenient",
    source: brief2.source === "shelf" && !has3("shelf") ? "prefer-shelf" : brief2.source
  };
  return { ...request, brief: made2, fixed: (request.fixed ?? []).filter((p) => has3(`fixed-${p}`)) };
}
var MOST_DROPS = 3;
function whatToDrop(request, limits2 = {}) {
  const all = demands(request);
  const feasible2 = (kept) => {
    if (limits2.shouldStop?.()) return false;
    return search(
      keeping(request, kept),
      { ...limits2, progress: void 0, maxLeaves: 60, maxSteps: 3e4 },
      true
    ).best !== null;
  };
  if (!feasible2([])) return [];
  const conflicts = [];
  const drops = [];
  const indices = all.map((_, i) => i);
  const conflictIn = (kept) => quickXplain(kept, (set) => !feasible2([...set].map((i) => there(all[i]))));
  for (let tries = 0; tries < 40 && drops.length < MOST_DROPS; tries++) {
    const next = smallestHitting(indices, conflicts, drops);
    if (!next) break;
    if (drops.length && next.length > there(drops[0]).length) break;
    const kept = indices.filter((i) => !next.includes(i));
    if (feasible2(kept.map((i) => there(all[i])))) drops.push(next);
    else {
      if (limits2.shouldStop?.()) break;
      conflicts.push(conflictIn(kept));
    }
  }
  return drops.map((set) => ({ demands: set.map((i) => there(all[i])) }));
}
function smallestHitting(indices, conflicts, given) {
  let level = [[]];
  for (let size2 = 0; size2 <= indices.length; size2++) {
    for (const set of level)
      if (conflicts.every((c) => c.some((i) => set.includes(i))) && !given.some((g) => g.every((i) => set.includes(i))))
        return set;
    level = level.flatMap((set) => indices.filter((i) => i > (set.at(-1) ?? -1)).map((i) => [...set, i]));
  }
  return null;
}

// src/lib/server/catalogue.ts
import { existsSync, readFileSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";

// src/lib/formats/build-file.ts
import { parseTree } from "jsonc-parser";

// src/lib/words/en/count.ts
var counted2 = (one, many) => (n2) => `${n2} ${n2 === 1 ? one : many}`;

// src/lib/words/en/language.ts
var list = (format) => (words2) => format.format(words2);
var and = list(new Intl.ListFormat("en", { type: "conjunction" }));
var or = list(new Intl.ListFormat("en", { type: "disjunction" }));
var capital = (text) => text.charAt(0).toUpperCase() + text.slice(1);
var sentence = (text) => `${capital(text.trim().replace(/\.$/, ""))}.`;
var tenth = (n2) => Math.round(n2 * 10) / 10;
var mhz2 = (n2) => `${tenth(n2)} MHz`;
var times = (n2) => `${Math.round(n2 * 100) / 100}`;
var volts = (n2) => `${n2} V`;
var voltRange = (low, high) => low === high ? volts(low) : `${low}\u2013${high} V`;
var amps2 = (n2) => `${tenth(n2)} A`;
var kib2 = (n2) => n2 >= 1024 && n2 % 1024 === 0 ? `${n2 / 1024} MiB` : `${n2} KiB`;

// src/lib/words/en/things.ts
var buses = {
  isa8: "8-bit",
  isa16: "16-bit",
  vlb: "local-bus",
  pci: "PCI",
  agp: "AGP",
  "pc-card": "PC"
};
var busName = {
  isa8: "8-bit ISA",
  isa16: "16-bit ISA",
  vlb: "local bus",
  pci: "PCI",
  agp: "AGP",
  "memory-board": "memory board only",
  "pc-card": "PC card"
};
var seatName = {
  ...busName,
  isa8: "8-bit",
  isa16: "16-bit",
  "memory-board": "memory"
};
var standards = {
  mono: "monochrome",
  cga: "CGA",
  ega: "EGA",
  mcga: "MCGA",
  vga: "VGA",
  "3d-only": "3D"
};
var jobs = {
  "multi-io": "multi-I/O",
  display: "video",
  serial: "serial",
  parallel: "parallel",
  "hard-disk": "hard-disk controller",
  floppy: "floppy controller",
  audio: "sound",
  fm: "FM sound",
  midi: "MIDI",
  game: "game-port",
  cdrom: "CD-ROM interface",
  network: "network",
  scsi: "SCSI",
  ems: "EMS memory",
  mouse: "bus-mouse",
  modem: "modem",
  scanner: "scanner",
  usb: "USB",
  clock: "clock",
  memory: "memory",
  rom: "ROM"
};
var interfaceName = {
  st506: "MFM (34 and 20 pins)",
  rll: "RLL (34 and 20 pins)",
  esdi: "ESDI (34 and 20 pins)",
  xta: "8-bit IDE (40 pins)",
  ata: "ATA (40 pins)",
  scsi: "SCSI",
  floppy: "floppy (34 pins)",
  "cd-panel": "a CD-ROM panel interface",
  "one-cable": "the single-cable interface of one system board, power included",
  usb: "USB"
};
var shortInterface = {
  st506: "MFM",
  rll: "RLL",
  esdi: "ESDI",
  xta: "8-bit IDE",
  ata: "ATA",
  scsi: "SCSI",
  "cd-panel": "panel-interface",
  "one-cable": "single-cable",
  usb: "USB"
};
var floppies3 = {
  360: "360K",
  720: "720K",
  1200: "1.2M",
  1440: "1.44M",
  2880: "2.88M"
};
var floppyName2 = (size2) => floppies3[size2] ?? `${size2} KiB`;
var megabytes = (mb) => mb >= 1e3 ? `${Math.round(mb / 100) / 10} GB` : `${mb} MB`;
function driveWords({ medium, interface: plug, mb, floppyKiB }) {
  const size2 = mb ? `${megabytes(mb)} ` : "";
  const by = shortInterface[plug] ?? "";
  switch (medium) {
    case "floppy":
      return `${floppyName2(floppyKiB ?? 0)} floppy drive`;
    case "emulator":
      return "floppy emulator";
    case "optical":
      return `${by} CD-ROM drive`;
    case "flash":
      return `${size2}${by} flash disk`;
    case "removable":
      return `${size2}${by} cartridge drive`;
    default:
      return `${size2}${by} hard disk`;
  }
}
var kinds2 = {
  cpu: "CPU",
  fpu: "FPU",
  monitor: "monitor",
  supply: "power supply",
  keyboard: "keyboard",
  case: "case",
  adapter: "adapter",
  bios: "BIOS",
  oscillator: "oscillator"
};
var families3 = {
  xt: "XT-class",
  at: "AT-class",
  "386sx": "386SX",
  "386dx": "386",
  "486sx": "486",
  "486dx": "486",
  "586": "486",
  pentium: "Pentium",
  pentium2: "Pentium II"
};
function whatWords(what) {
  switch (what.kind) {
    case "board":
      return `${families3[what.family] ?? what.family} board`;
    case "card": {
      const job = what.does === "display" && what.standard ? standards[what.standard] : what.does && jobs[what.does];
      return [buses[what.bus], job, "card"].filter(Boolean).join(" ");
    }
    case "drive":
      return driveWords(what).trim();
    case "memory":
      return `${kib2(what.kib)} module`;
    default:
      return kinds2[what.kind];
  }
}
var plain = ["cpu", "fpu", "bios"];
var the = ({ name: name2, what }) => plain.includes(what.kind) ? name2 : `${name2} (${whatWords(what)})`;
function ownerName(owner) {
  if (owner.onBoard) return `${owner.function} on the system board`;
  if (!owner.thing) return `the system's own ${owner.function}`;
  return `${owner.function} of ${the(owner.thing)}`;
}
var ownerShort = (owner) => owner.onBoard || !owner.thing ? ownerName(owner) : `${owner.function} of ${owner.thing.name}`;
var isOwner = (thing3) => "function" in thing3;
var oneOf = {
  ...kinds2,
  board: "board",
  card: "card",
  drive: "drive",
  memory: "memory"
};

// src/lib/words/en/documents.ts
var schema = {
  "no-hex": ({ text }) => `"${String(text)}" is not a hexadecimal address; write 220h or 0x220`,
  "no-id": () => "use lower-case letters, digits, hyphens and dots",
  "no-name": () => "give it a name",
  "dos-file-size": () => "DOS reads no more than 64 KiB of it",
  "dos-file-name": () => "write a name of DOS, such as DRIVER.SYS",
  "no-picture": () => "is no picture",
  "no-month": () => "write a year, or a year and month as 1991-03",
  "no-day": () => "write a date as 2026-03-14",
  "no-hash": () => "a SHA-256 has 64 hex digits",
  "what-came-off": () => "say what came off",
  "what-it-is": () => "say what it is",
  "what-it-decides": () => "say what it decides",
  "what-it-means": () => "say what it means",
  "where-image": () => "say where the image lies",
  who: () => "say who",
  why: () => "say why",
  "no-thing": () => "name what took part",
  "no-start": () => "say how often it worked or failed",
  "too-many-entries": ({ most }) => `at most ${String(most)} entries`
};
var facts = {
  board: "a board needs its board facts (class, slots)",
  card: "a card needs its card facts (bus)",
  cpu: "a CPU needs its CPU facts (family, socket, clocks, volts)",
  fpu: "an FPU needs its FPU facts (kind, MHz)",
  memory: "memory needs its module facts (form, KiB, ns)",
  drive: "a drive needs its drive facts (medium, interface, bay)",
  monitor: "a monitor needs its monitor facts (inputs, frequencies)",
  supply: "a supply needs its supply facts (form, watts, rails)",
  keyboard: "a keyboard needs its keyboard facts (protocols, plug)",
  case: "a case needs its chassis facts (forms, bays)",
  adapter: "an adapter needs its adapter facts (from, to)",
  bios: "a BIOS needs its firmware facts (year, setup, disk)",
  oscillator: "an oscillator needs its MHz"
};
var sized = {
  functions: (n2, most) => `${n2} functions; no part has more than ${most}`,
  claims: (n2, most) => `${n2} claims in all; no part has more than ${most}`,
  rows: (n2, most) => `${n2} rows in all; no part needs more than ${most}`,
  layouts: (n2, most) => `${n2} layouts of its bays; no machine has more than ${most}`,
  "joint positions": (n2, most) => `its settings have ${n2 > 1e9 ? "more than a thousand million" : n2} joint positions; no part has more than ${most}. Split a claim that rests on many settings, or list fewer positions`,
  "machine lines": (n2, most) => `the parts claim ${n2} lines; no machine has more than ${most}`
};
var beyond = {
  pin: (n2, most) => `pin ${n2} of ${most}`,
  switch: (n2, most) => `switch ${n2} of ${most}`,
  step: (n2, most) => `step ${n2} of ${most}, counted from 0`,
  bridge: (n2, most) => `bridge ${n2} of ${most}`
};
var where = {
  caps: "jumpers sit on a header",
  switches: "switches are on a DIP block",
  step: "a step is on a rotary or slide switch",
  bridges: "bridges are on solder pads, or packs in their sockets",
  value: "a value is typed into a program"
};
var sentences = {
  schema: ({ message, params }) => schema[message]?.(params) ?? message,
  "not-object": () => "is not a JSON object",
  version: () => "must be a whole number",
  "no-build": () => "is missing",
  format: ({ name: name2 }) => `must be "${name2}"; this is some other kind of file`,
  newer: ({ version, reads }) => `is ${version}, and this release reads up to ${reads}; open it with a newer release`,
  twice: ({ id: id2 }) => `"${id2}" is there twice`,
  taken: ({ id: id2 }) => `the id "${id2}" is used twice or reserved`,
  "board-id": ({ id: id2 }) => `the board's item id is "${id2}"`,
  "no-board": ({ id: id2 }) => `"${id2}" is not a board`,
  "no-part": ({ id: id2 }) => `there is no part "${id2}"`,
  "no-item": ({ id: id2 }) => `there is no item "${id2}" in the machine`,
  "no-slot": ({ id: id2 }) => `the board has no slot "${id2}"`,
  "no-block": ({ id: id2 }) => `there is no block "${id2}"`,
  "no-setting": ({ id: id2 }) => `there is no setting "${id2}"`,
  "no-function": ({ id: id2 }) => `there is no function "${id2}"`,
  "no-position": ({ id: id2 }) => `there is no position "${id2}"`,
  "position-missing": ({ id: id2 }) => `position "${id2}" is missing; write null if it takes nothing`,
  "not-among": ({ id: id2 }) => `"${id2}" is not among its settings`,
  "no-facts": ({ kind: kind2 }) => facts[kind2],
  "sold-backwards": () => "sold to is before sold from",
  "no-positions": () => "a known setting has at least one position",
  "no-default": () => "a known setting has a default",
  "no-block-for-state": () => "a state needs a block to be on",
  "no-such-position": ({ setting, position }) => `setting "${setting}" has no position "${position}"`,
  "part-without-setting": ({ part, setting }) => `"${part}" has no setting "${setting}"`,
  "item-without-function": (f) => `"${f.item}" has no function "${f.function}"`,
  "row-length": ({ entries, settings: settings2 }) => `has ${entries} entries for ${settings2} settings`,
  "too-many": ({ what, n: n2, most }) => sized[what](n2, most),
  beyond: ({ what, n: n2, most }) => beyond[what](n2, most),
  "wrong-form": ({ form: form4, block, kind: kind2 }) => `${where[form4]}, and ${block} is ${kind2}`,
  sources: ({ mayBePin }) => `give exactly one of value, from${mayBePin ? ", pin" : ""}`,
  "past-last": ({ value, resource }) => `${value} is beyond the last ${resource} number`,
  "no-row": ({ chosen }) => `no row for ${Object.entries(chosen).map(([setting, position]) => `${setting} = ${position}`).join(", ")}`
};
var flawWords = (flaw) => sentences[flaw.is](flaw);
var problemOf = (found) => "flaw" in found ? { path: found.path, message: flawWords(found.flaw) } : found;
var problemsOf = (found) => found.map(problemOf);
var InvalidDocument = class extends Error {
  constructor(found, what = "The document") {
    const problems = problemsOf(found);
    super(`${what} cannot be used: ${problems.map((p) => `${p.path || "top"}: ${p.message}`).join("; ")}`);
    this.what = what;
    this.name = "InvalidDocument";
    this.problems = problems;
  }
  what;
  problems;
};

// src/lib/words/en/settings.ts
var displays2 = { mono: "monochrome", colour: "colour", "own-bios": "a card with its own BIOS" };
var banks2 = counted2("bank", "banks");
var drives3 = counted2("floppy drive", "floppy drives");
var slot = ({ id: id2, label }) => label ?? `slot ${id2}`;
var valueWords = {
  fpu: (v) => v === 1 ? "fitted" : "none",
  banks: (v) => banks2(Number(v)),
  "memory-kib": (v) => kib2(Number(v)),
  display: (v) => displays2[v] ?? String(v),
  floppies: (v) => v === 0 ? "none, or the fewest that the block can say" : String(v),
  "bus-mhz": (v) => mhz2(Number(v)),
  factor: (v) => `\xD7${v}`,
  volts: (v) => `${v} V`,
  "bus-divisor": (v) => `\xF7 ${v}`,
  "cache-kib": (v) => kib2(Number(v)),
  "vlb-wait": (v) => v === 1 ? "one" : "none",
  battery: (v) => v === "on-board" ? "on the board" : String(v),
  keyboard: (v) => String(v).toUpperCase(),
  "bus-width": (v) => `${v} bits`
};
function wantedWords(fact, value) {
  if (typeof value !== "object") return (valueWords[fact] ?? String)(value);
  if ("either" in value) return value.either.join(" or ");
  return value.mhz === "above-33" ? "above 33 MHz" : "up to 33 MHz";
}
var waitsWords = (rests) => rests ? `2 clocks of ${rests.cycleNs} ns less ${rests.overheadNs} ns for the logic leave ${rests.leavesNs} ns; an estimate without cache, interleave and page mode` : "From the 386 on page mode and cache decide; compare with the table of the board.";
function reasonOf(r) {
  switch (r.is) {
    case "fpu-fitted":
      return `${r.title} sits in the FPU socket`;
    case "no-fpu":
      return "no FPU is in the machine";
    case "banks-filled":
      return `${r.banks.length === 1 ? "bank" : "banks"} ${r.banks.join(", ")} filled, ${kib2(r.totalKiB)} in all`;
    case "banks-hold":
      return `the banks hold ${kib2(r.totalKiB)}`;
    case "other-block-sets-banks":
      return "this block sets the total, the other one the banks";
    case "display":
      return `${r.title} in ${r.where ? slot(r.where) : "the board"} is ${displays2[r.kind]}`;
    case "own-bios-counts-as-colour":
      return "this board knows colour and monochrome only, and such a card counts as colour";
    case "either-display-first":
      return "either of the two may come first";
    case "floppies":
      return r.titles.length ? `${drives3(r.titles.length)} in the machine: ${r.titles.join(", ")}` : "no floppy drive is in the machine";
    case "cpu-rating":
      return `${r.cpu} is rated ${mhz2(r.busMHz)} outside \xD7 ${times(r.factor)} = ${mhz2(r.coreMHz)} inside`;
    case "clock-is-outside":
      return "the jumper sets the clock outside the CPU, not the number on it";
    case "code-is-read":
      return "the code on the board is read by the CPU in its own way";
    case "cpu-volts":
      return r.low === r.high ? `it is made for ${r.low} V; read it off the chip` : `it is made for ${r.low} to ${r.high} V; read it off the chip`;
    case "external-clock":
      return `the external clock is ${mhz2(r.mhz)}`;
    case "isa-clock":
      return `${mhz2(r.busMHz)} \xF7 ${r.divisor} = ${mhz2(r.isaMHz)}; ISA cards expect 8.33 MHz at most`;
    case "cache-fitted":
      return `${kib2(r.kib)} of cache is on the board`;
    case "local-bus-clock":
      return `the local bus runs at the external clock, ${mhz2(r.mhz)}`;
    case "local-bus-waits":
      return `the local bus runs at ${mhz2(r.mhz)}; above 33 MHz writes need a wait state`;
    case "memory-speed":
      return `${r.ns} ns memory at ${mhz2(r.mhz)}`;
    case "waits-estimate":
      return waitsWords(r.rests);
    case "battery-taken-off":
      return "the barrel battery was taken off";
    case "battery-on-header":
      return "a pack goes on the battery header";
    case "battery-fitted":
      return `the ${r.kind} battery is on the board`;
    case "keyboard-speaks":
      return `${r.title} speaks ${r.protocol.toUpperCase()} here`;
    case "monitor-connected":
      return `${r.title} is connected to it`;
    case "monitor-kind-is-safe":
      return "of the kinds that cannot damage it, this one shows most";
    case "slot-width":
      return r.bits === 8 ? `${slot(r.slot)} has 8 bits only` : `${slot(r.slot)} has 16 bits`;
    case "eight-bits-also-work":
      return "8 bits also work, slower; needed when an 8-bit ROM shares the block";
    case "rom-written-while-programmed":
      return "the ROM is written only while it is being programmed";
    case "off-after-commissioning":
      return "off after commissioning";
    case "cards-do-the-same":
      return `${and(r.cards)} ${r.cards.length === 1 ? "does" : "do"} the same`;
    case "board-goes-off":
      return "two of a kind answer at one address: the one of the board goes off";
    case "function-in-use":
      return `the build uses ${r.label} of the board`;
    case "drive-needs-function":
      return `a drive of the build needs ${r.label}, and no card has it`;
    case "locked-by-hand":
      return "locked there by hand";
    case "planned-for-lines":
      return "planned so for the lines";
  }
}
var reasonsOf = (reasons) => reasons.map(reasonOf).join("; ");
var isaSpeeds = {
  fails: "most cards fail",
  "some-fail": "some cards are not found or give errors"
};
function consequenceOf(c) {
  switch (c.is) {
    case "fpu-missing":
      return "Programs that look for an FPU hang: the switch says that there is one.";
    case "fpu-hidden":
      return "Programs do not find the FPU until the switch says that it is there.";
    case "memory-fewer-banks":
      return "The memory count shows fewer banks than are filled; the rest of the memory is not used.";
    case "memory-empty-banks":
      return "POST stops with a memory error: it looks for banks that are empty.";
    case "memory-counts-only":
      return `POST counts ${kib2(c.kib)} only; DOS gets no more.`;
    case "memory-ends-early":
      return "POST stops with a memory error where the fitted memory ends.";
    case "display-complains":
      return "The card\u2019s own BIOS takes over; some setups complain all the same.";
    case "display-dark":
      return "Dark screen and one long, two short beeps; eight short by another BIOS.";
    case "floppies-no-letter":
      return "The last floppy drives get no letter.";
    case "floppies-waited-for":
      return "The start waits for a drive that is not there, and it takes up a drive letter.";
    case "cpu-slower-outside":
      return `The machine runs slower than ${c.cpu ?? "the CPU"} could. Harmless.`;
    case "cpu-core-clock-outside":
      return `${mhz2(c.mhz)} is what runs inside; as set the CPU freezes.`;
    case "cpu-above-rating":
      return "The CPU is driven above its rating: it freezes or runs hot.";
    case "cpu-core-too-fast":
      return `Inside it would run at ${mhz2(c.mhz)}: it freezes or runs hot.`;
    case "cpu-slower-inside":
      return "Inside it runs slower than it could. Harmless.";
    case "volts-too-high":
      return "Too high a voltage destroys the CPU at once. Do not power on.";
    case "volts-too-low":
      return "Too little voltage: it does not start, or freezes when it gets warm.";
    case "isa-clock":
      return c.how === "slower" ? `ISA runs at ${mhz2(c.mhz)}, slower than it could.` : `ISA runs at ${mhz2(c.mhz)}: ${isaSpeeds[c.how]}.`;
    case "cache-unused":
      return "Part of the cache is not used; the machine is slower.";
    case "cache-missing":
      return "The board uses cache that is not there: it crashes as DOS or Windows loads.";
    case "local-bus-set-slower":
      return "Local-bus cards are set for a slower clock: the picture tears or disk data is garbled.";
    case "local-bus-set-faster":
      return "Local-bus cards wait longer than they need to.";
    case "local-bus-no-wait":
      return "Writes without a wait state above 33 MHz: the picture may tear.";
    case "local-bus-needless-wait":
      return "Writes over the local bus are slower than they need to be.";
    case "memory-too-slow":
      return "Memory may be too slow without a wait state: parity errors or a freeze.";
    case "memory-needless-wait":
      return "The machine waits for memory that is fast enough; slower, harmless.";
    case "battery-cut-off":
      return "The battery on the board is cut off: date and setup are lost at every power-off.";
    case "battery-charged-wrongly":
      return "The board tries to charge what is not there or must not be charged, and the setup is lost.";
    case "keyboard-dead":
      return "No key does anything, or POST stops with a keyboard error.";
    case "monitor-damaged":
      return "The card sends timing that can damage this monitor. Do not connect it.";
    case "monitor-wrong-picture":
      return "The picture rolls, stays dark or shows wrong colours.";
    case "rom-read-wrong":
      return "A 16-bit ROM in an 8-bit slot is read wrong: no picture, or the card is not found.";
    case "rom-overwritten":
      return "A program that runs wild can overwrite the ROM; the disk is not found any more.";
    case "two-answer":
      return `${c.label} of the board and ${c.card ?? "a card"} answer together: neither is found.`;
    case "function-off":
      return `${c.label} is off: what is connected to it is not found.`;
    case "volts-not-looked":
      return "Nobody looked at it, and too high a voltage destroys the CPU. Record it before power.";
    case "not-looked":
      return "Nobody looked at it yet: record it, or set it as drawn.";
    case "other-lines":
      return "It answers on other lines than planned; see Lines.";
  }
}

// src/lib/words/en/findings/board.ts
var upper = (ids) => ids.map((id2) => id2.toUpperCase());
var board2 = {
  "keyboard.protocol": ({ keyboard: keyboard2, has: has3, board: needs }) => ({
    title: `${keyboard2.name} is ${and(upper(has3))} only`,
    sentence: `The board needs ${or(upper(needs))}: no key works, or the machine stops at POST with a keyboard error.`,
    why: "XT and AT keyboards have the same plug and different protocols."
  }),
  "keyboard.switch": ({ keyboard: keyboard2, protocol }) => ({
    title: `${keyboard2.name} has an XT/AT switch`,
    sentence: `Set it to ${protocol.toUpperCase()} before you plug it in. It is usually on the underside.`,
    why: "XT and AT keyboards have the same plug and different protocols."
  }),
  "keyboard.plug": ({ keyboard: keyboard2, board: plug }) => ({
    title: `${keyboard2.name} has the other plug`,
    sentence: `The board has ${plug === "din5" ? "the large 5-pin DIN socket" : "the small 6-pin mini-DIN socket"}: you need an adapter.`,
    why: "DIN and mini-DIN keyboard plugs carry the same signals."
  }),
  "battery.leak": ({ board: it2 }) => ({
    title: "A barrel battery is on the board",
    sentence: `Remove it from ${the(it2)} before anything else. Clean with white vinegar, then water and alcohol; wear gloves and goggles. Use the external battery header.`,
    why: "Barrel batteries leak and eat the traces of the board."
  }),
  "clock.century": ({ board: it2, year }) => ({
    title: "The clock may lose the century",
    sentence: `The BIOS of ${the(it2)} is from ${year}: from 2000 on many such machines come up with 1980 or 1900 after each power-on. Set the date with DATE once and see whether it stays; a small driver cures it.`,
    why: "The clock chip counts two digits of the year; the BIOS keeps the century."
  }),
  "pnp.nobios": ({ card, bios: bios2 }) => ({
    title: `${card.name} waits for a configuration program`,
    sentence: `${bios2} does not configure plug-and-play cards: a configuration program must run in AUTOEXEC.BAT before anything can use ${the(card)}.`,
    why: "A plug-and-play card does not answer until something configures it."
  }),
  switch: ({ fact, setting, position, consequence, required: required2, because, canSay }) => {
    const [left3, wanted2] = [consequenceOf(consequence), wantedWords(fact, required2)];
    return {
      title: `${setting} is set to ${position}`,
      sentence: canSay ? `${left3} It should be set for ${wanted2}: ${reasonsOf(because.slice(0, 1))}.` : `${left3} No position stands for ${wanted2}.`,
      why: `A switch says what is in the machine; set wrong, the board believes the switch. ${capital(reasonsOf(because))}.`
    };
  }
};

// src/lib/words/en/boot-programs.ts
var slowWords = {
  turbo: "turbo switch",
  waits: "more wait states",
  "l2-off": "second-level cache off",
  "l1-off": "cache of the CPU off",
  multiplier: "lower multiplier",
  software: "a slow-down program"
};
var slowWay = (means) => means.map((m) => slowWords[m]).join(" and ");

// src/lib/words/en/findings/brief.ts
var haves = {
  network: "a network card",
  scsi: "a SCSI adapter",
  cdrom: "a CD-ROM drive",
  midi: "a MIDI interface",
  game: "a game port",
  modem: "a modem",
  mouse: "a mouse",
  "floppy-5": "a 5.25 inch floppy drive",
  "floppy-3": "a 3.5 inch floppy drive",
  fpu: "an FPU",
  usb: "USB"
};
function wishWords({ wish, part, free: free2 = 0 }) {
  switch (wish.kind) {
    case "keep":
      return `You want ${part} kept, and it is not in the machine.`;
    case "never":
      return `You do not want ${part}, and it is in the machine.`;
    case "emulator-outside":
      return "You want the floppy emulator outside the case, and it is inside.";
    case "original-look":
      return "Something on the front was not there when the machine was sold.";
    case "real-disk":
      return "You want a real spinning hard disk, and there is none.";
    case "colour":
      return "You want a picture in colour, and card or monitor has none.";
    case "quiet":
      return "You want no spinning hard disk, and there is one.";
    case "spare-slots":
      return `You want ${counted2("slot", "slots")(wish.count)} free, and there ${free2 === 1 ? "is" : "are"} ${free2}.`;
    case "have":
      return `You want ${haves[wish.what]}, and there is none.`;
  }
}
var abilities = {
  fm: "FM music",
  "stereo-fm": "stereo FM",
  digital8: "8-bit digital sound",
  digital16: "16-bit digital sound",
  codec: "codec sound",
  "midi-port": "a MIDI interface",
  wavetable: "a wavetable",
  "cd-audio": "CD audio",
  speech: "speech",
  tones: "the three-voice card"
};
var pictures2 = {
  text: "text",
  "mono-graphics": "monochrome graphics",
  cga: "CGA graphics",
  ega: "EGA graphics",
  mcga: "MCGA graphics",
  vga: "VGA graphics",
  "640x480x8": "640 \xD7 480 in 256 colours",
  "800x600x8": "800 \xD7 600 in 256 colours",
  "800x600x16": "800 \xD7 600 in high colour",
  "1024x768x8": "1024 \xD7 768 in 256 colours",
  "3d": "3D graphics"
};
var picture2 = (p) => pictures2[p] ?? p;
var functions = {
  game: "a game port",
  midi: "a MIDI interface",
  scanner: "a scanner interface",
  serial: "a serial port",
  parallel: "a printer port",
  network: "a network card",
  modem: "a modem",
  mouse: "a mouse"
};
var lacks = (say) => (f) => ({
  title: `${f.program} will not run properly`,
  sentence: say(f),
  why: `${f.program}${f.year ? ` (${f.year})` : ""} was written for such a machine.`
});
var systemWhy = "An operating system has a minimum machine of its own.";
var driverWhy = "A driver is a program: it needs a certain CPU and a certain system.";
var periodWhy = "The brief gives the machine a date.";
var family = (id2) => id2.toUpperCase();
var windowsName = (version) => version >= 4 ? "95 or later" : String(version);
var brief = {
  "period.early": ({ part, from, date }) => ({
    title: `${part.name} is too recent`,
    sentence: `${the(part)} was first sold in ${from}, and the target date is ${date}.`,
    why: periodWhy
  }),
  "period.late": ({ part, to, date }) => ({
    title: `${part.name} was old by then`,
    sentence: `${the(part)} was last sold in ${to}, and the target date is ${date}.`,
    why: periodWhy
  }),
  "brief.wish": (f) => ({
    title: "A wish of the brief is not met",
    sentence: wishWords(f),
    why: "What you ask for in the brief is a condition."
  }),
  "os.cpu": ({ system: system2, family: has3, needs }) => ({
    title: `${system2} does not run on a ${family(has3)}`,
    sentence: `It needs a ${family(needs)} or later and stops while starting.`,
    why: systemWhy
  }),
  "os.memory": ({ system: system2, needsKiB, of: of2, hasKiB }) => ({
    title: `Too little memory for ${system2}`,
    sentence: of2 === "base" ? `It needs ${kib2(needsKiB)} below 640 KiB, and there are ${kib2(hasKiB)}.` : `It needs ${kib2(needsKiB)} above the first MiB, and there are ${kib2(hasKiB)}.`,
    why: systemWhy
  }),
  "os.partition": ({ dos, mostMiB, diskMiB }) => ({
    title: `DOS ${dos} uses ${mostMiB} MiB of the disk`,
    sentence: `It makes one partition of at most ${mostMiB} MiB; the rest of ${diskMiB} MiB stays unused. DOS 3.3 makes several, 4.0 and later makes larger ones.`,
    why: systemWhy
  }),
  "os.disk": ({ system: system2, needsMiB, diskMiB }) => ({
    title: `Too little disk for ${system2}`,
    sentence: `It needs about ${needsMiB} MiB, and the largest disk has ${diskMiB}.`,
    why: systemWhy
  }),
  "os.driver": (f) => ({
    title: f.why === "cpu" ? `The driver of ${f.part.name} does not run on a ${family(f.family)}` : `The driver of ${f.part.name} needs ${f.why === "windows" ? "Windows" : "a later DOS"}`,
    sentence: f.why === "cpu" ? `It is written for a ${family(f.needs)} or later: it hangs or stops while loading, and ${the(f.part)} cannot be used.` : f.why === "windows" ? `There is a driver for Windows ${windowsName(f.needs)} only, so ${the(f.part)} cannot be used under the system of the brief.` : `It loads with DOS ${f.needs} or later, and the brief has DOS ${f.dos}.`,
    why: driverWhy
  }),
  "software.cpu": lacks(
    ({ needs, has: has3 }) => `It is written for a ${family(needs)} or later, and this is a ${family(has3)}: it stops at once or hangs.`
  ),
  "software.slow": lacks(
    ({ needs, has: has3, severe }) => severe ? `Too slow: speed index ${has3}, and it needs ${needs} or more.` : `It will crawl: speed index ${has3}, and it needs ${needs} or more.`
  ),
  "software.fast": lacks(({ most, has: has3, severe, by }) => {
    const why = `speed index ${has3}, and it is made for ${most} at most.`;
    if (severe) return `Too fast to use: ${why}`;
    return by.length ? `It will run too fast as it stands: ${why} It may come down with ${slowWay(by)}: measure once.` : `It will run too fast: ${why}`;
  }),
  "software.fpu": lacks(
    ({ refuses }) => refuses ? "It refuses to start without an FPU." : "Without an FPU it calculates slowly."
  ),
  "software.base": lacks(
    ({ needsKiB, hasKiB }) => `It needs ${needsKiB} KiB free below 640 KiB; about ${hasKiB} KiB will be free, an estimate before drivers.`
  ),
  "software.extended": lacks(
    ({ needsKiB, hasKiB }) => `It needs ${kib2(needsKiB)} above 1 MiB, and ${kib2(hasKiB)} will be there after shadow RAM.`
  ),
  "software.expanded": lacks(
    ({ needsKiB, hasKiB }) => `It needs ${kib2(needsKiB)} of expanded memory, and there are ${kib2(hasKiB)}: fit an EMS card, or on a 386 more memory and an EMS driver.`
  ),
  "video.memory": lacks(
    ({ picture: p, needsKiB, hasKiB }) => `It shows ${picture2(p)}, which takes ${needsKiB} KiB of video memory, and the card has ${hasKiB} KiB.`
  ),
  "software.display": lacks(
    ({ pictures: list2 }) => `It shows ${or(list2.map(picture2))}, and this card and monitor can show none of it.`
  ),
  "software.audio": lacks(
    ({ knows }) => `It supports ${or(knows.map((a) => abilities[a]))}, and there is none.`
  ),
  "software.disk": lacks(
    ({ needsMiB, hasMiB }) => hasMiB === null ? `It needs ${needsMiB} MiB of hard disk, and there is none.` : `It needs ${needsMiB} MiB of hard disk, and the largest has ${hasMiB}.`
  ),
  "software.cdrom": lacks(() => "It comes on a CD-ROM, and there is no CD-ROM drive."),
  "software.floppy": lacks(
    ({ kib: size2 }) => `It comes on ${floppyName2(size2)} floppies, which these drives cannot read.`
  ),
  "software.ports": lacks(
    ({ missing: missing2 }) => `It uses ${and(missing2.map((m) => functions[m] ?? m))}, and there is none.`
  ),
  "software.dos": lacks(({ needs, has: has3 }) => `It needs DOS ${needs} or later, and the brief has DOS ${has3}.`),
  "software.windows": lacks(
    ({ needs }) => `It needs Windows ${windowsName(needs)}, and the brief does not have it.`
  )
};

// src/lib/words/en/findings/cables.ts
var device = (d) => isOwner(d) ? ownerName(d) : the(d);
var short = (d) => isOwner(d) ? ownerShort(d) : d.name;
var ataWhy = "An ATA cable has one master (or a single drive) and one slave, or two drives on a cable-select cable.";
var st506Why = "The controller selects by a line of the cable; the twist in lines 25 to 29 swaps two of them.";
var idWhy = "Each device on a SCSI bus has its own ID, 0 to 7; the adapter is usually 7.";
var endWhy = "A SCSI bus is terminated at its two physical ends and nowhere else.";
var floppyWhy = "A floppy controller has a select and a motor line for each drive; the twist in lines 10 to 16 swaps them.";
var cables2 = {
  "ata.select": (f) => {
    const told = (title, sentence2) => ({ title, sentence: sentence2, why: ataWhy });
    switch (f.why) {
      case "both":
        return told(
          `${f.a.name} and ${f.b.name} are both jumpered as ${f.as}`,
          "Neither is found, or both answer at once: jumper one as master and one as slave."
        );
      case "mixed":
        return told(
          `${f.a.name} and ${f.b.name} are jumpered in two ways`,
          "Use cable select on both or on neither: beside a fixed master or slave both may come up as the same one."
        );
      case "cable-select":
        return told(
          `${f.a.name} and ${f.b.name} are both on cable select`,
          f.known ? "This cable connects line 28 to both plugs, so both take themselves for the master and neither is found. Jumper one as master and one as slave." : "That needs a cable made for it (line 28 open at one plug). On a plain cable both take themselves for the master and neither is found."
        );
      case "only":
        return told(
          `${f.drive.name} is jumpered as the only drive`,
          "Some drives have another position for a master with a slave; without it the slave is not found."
        );
      case "lone-slave":
        return told(
          `${f.drive.name} is a slave without a master`,
          "Old controllers do not find it: jumper it as master or single."
        );
    }
  },
  "st506.select": (f) => {
    const told = (title, sentence2) => ({ title, sentence: sentence2, why: st506Why });
    switch (f.why) {
      case "floppy-cable":
        return told(
          `A floppy cable on ${ownerShort(f.controller)}`,
          "Its twist is in lines 10 to 16; a hard-disk cable has it in 25 to 29. The drive behind it is not selected."
        );
      case "unselected":
        return told(
          `${f.drive.name} is never selected`,
          `Jumpered as the ${f.unit} select on its plug, it listens to a line the controller does not use. On this cable it needs the ${f.wants} select.`
        );
      case "both":
        return told(
          `${f.a.name} and ${f.b.name} both answer as disk ${f.as}`,
          f.twisted ? "With the twisted cable jumper both as the second select; the twist tells them apart." : "On a straight cable one is the first select, the other the second."
        );
      case "no-first":
        return told(
          `${f.drive.name} answers as the second disk, and there is no first`,
          f.twisted ? "The machine looks for disk 1 and finds none: put it on the end plug, behind the twist." : "The machine looks for disk 1 and finds none: jumper it as the first select."
        );
      case "open-end":
        return told(
          `${f.drive.name} ends the cable without a terminator`,
          "Signals reflect from the open end: errors come and go. The last drive keeps its terminator."
        );
      case "middle":
        return told(
          `${f.drive.name} is terminated in the middle`,
          "Only the last drive keeps its terminator; two overload the lines, and drives are not found."
        );
    }
  },
  "scsi.id": (f) => {
    const told = (title, sentence2) => ({ title, sentence: sentence2, why: idWhy });
    switch (f.why) {
      case "both":
        return told(
          `${f.a.name} and ${f.b.name} both have SCSI ID ${f.id}`,
          "Both answer at once: neither is found, or one shows up at every ID. Give each its own."
        );
      case "adapter":
        return told(
          `${f.drive.name} has the adapter\u2019s ID`,
          "The host adapter is nearly always ID 7: give the drive one from 0 to 6."
        );
      case "no-zero":
        return told(
          "No disk has ID 0",
          "Most adapters boot from ID 0 only; some can be set otherwise in their own setup."
        );
    }
  },
  "scsi.termination": (f) => {
    const told = (title, sentence2) => ({ title, sentence: sentence2, why: endWhy });
    if (f.why === "unseen")
      return told(
        "Terminators nobody looked at",
        `They should be: ${f.ends.map((e) => `${device(e.device)}: ${e.fitted ? "fitted" : "removed"}`).join("; ")}. Look, and record it under Disks, Interfaces.`
      );
    return told(
      f.why === "open-end" ? `${short(f.device)} ends the bus without terminators` : `${short(f.device)} is terminated in the middle`,
      `${device(f.device)} must ${f.why === "open-end" ? "have" : "not have"} its terminators fitted. Otherwise drives come and go, or data is garbled.`
    );
  },
  "scsi.signals": ({ why, differential, other }) => {
    const names2 = and(other.map(device));
    return {
      title: why === "apart" ? "Differential and single-ended SCSI on one cable" : "A differential device on this bus",
      sentence: why === "apart" ? `Do not power on: ${and(differential.map(device))} drives the cable with signal pairs, ${names2} with single lines. Either can be destroyed. Take one off the cable.` : `${and(differential.map(device))} is differential. Look at ${names2} before you connect them: on a single-ended bus either can be destroyed. A label with DIFF or HVD, or a symbol of two triangles one behind the other, says differential.`,
      why: "Differential SCSI drives two lines for each signal; a single-ended device ties one of them to ground."
    };
  },
  "scsi.width": ({ wide, narrow, adapterIsWide }) => ({
    title: "Wide and narrow SCSI on one bus",
    sentence: adapterIsWide ? `${and(narrow.map(device))} has 8 data lines, ${and(wide.map(device))} has 16. Hang the narrow one on with an adapter that ends the upper lines, behind the wide ones.` : `${and(wide.map(device))} has 16 data lines, the adapter has 8: it works at 8 with an adapter from 68 to 50 pins that ends the upper lines.`,
    why: "The upper eight data lines must end in a terminator where the 50-pin cable begins."
  }),
  "scsi.power": ({ fitted }) => ({
    title: "Nobody feeds the terminators",
    sentence: `${and(fitted.map(device))}: none of them puts terminator power on the cable. Turn it on at one, usually the adapter, by jumper or fuse.`,
    why: "Terminators take their current from the TERMPWR line of the cable; without it the bus is not terminated at all."
  }),
  "floppy.cable": (f) => {
    const told = (title, sentence2) => ({ title, sentence: sentence2, why: floppyWhy });
    switch (f.why) {
      case "disk-cable":
        return told(
          `A hard-disk cable on ${ownerShort(f.controller)}`,
          "Its twist is in lines 25 to 29: a floppy drive behind it gets the wrong signals. A floppy cable has it in 10 to 16."
        );
      case "both":
        return told(
          `${f.a.name} and ${f.b.name} both answer as ${f.as}`,
          f.straight ? "A straight cable serves one drive. Use one with a twist in lines 10 to 16." : "Connect one behind the twist (A:) and one before it (B:), both jumpered as the second select."
        );
      case "unselected":
        return told(
          `${f.drive.name} answers to no letter`,
          `Jumpered as the ${f.unit} select it listens to the motor or select line of another drive. The ${f.wants} select is right on this controller; the first is right only where a controller has one motor line for all drives.`
        );
      case "no-a":
        return told(
          `${f.drive.name} is B:, and there is no A:`,
          "On a straight cable the drive is B:, and the machine does not boot from it. Use a cable with a twist, or the floppy swap of the BIOS setup."
        );
    }
  }
};

// src/lib/words/en/findings/cpu.ts
var sockets = {
  dip40: "the 40-pin DIP socket",
  pga68: "the 68-pin PGA socket",
  plcc68: "the 68-pin PLCC socket",
  qfp: "soldering to the board",
  pga132: "the 132-pin PGA socket",
  pga168: "the 168-pin PGA socket",
  socket3: "Socket 3",
  socket4: "Socket 4",
  socket5: "Socket 5",
  socket7: "Socket 7",
  slot1: "Slot 1",
  socket370: "Socket 370"
};
var socket2 = (id2) => sockets[id2] ?? id2;
var family2 = (id2) => id2.toUpperCase();
var rating = (f) => `${mhz2(f.bus)} \xD7 ${times(f.factor)} = ${mhz2(f.core)}, and it is rated ${mhz2(f.ratedBus)} \xD7 ${times(f.ratedCore / f.ratedBus)} = ${mhz2(f.ratedCore)}`;
function isaAdvice(cure) {
  switch (cure.kind) {
    case "divide":
      return `Divide by ${cure.by}: ${mhz2(cure.gives)}.`;
    case "setup":
      return `Look for an ISA divisor in the BIOS setup; \xF7 ${cure.by} gives ${mhz2(cure.gives)}.`;
    case "turbo":
      return "Use the slow speed (turbo off) for such a card.";
    case "slower":
      return "Choose a larger divisor in the BIOS setup, if it has one.";
  }
}
var clockWhy = "The core clock is the bus clock times the multiplier; the jumpers set the bus clock.";
var voltageWhy = "Too high a voltage destroys a CPU at once; too low a voltage and it does not start.";
var cpu = {
  "cpu.socket": (f) => ({
    title: `${f.cpu.name} does not fit this board`,
    sentence: f.why === "soldered" ? `${the(f.board)} has its CPU soldered in and no socket for another.` : f.why === "socket" ? `${f.cpu.name} is made for ${socket2(f.needs)}; ${the(f.board)} has ${or(f.takes.map(socket2))}.` : `${the(f.board)} supports ${or(f.knows.map(family2))}, not ${family2(f.family)}.`,
    why: "A CPU needs its socket, and a board that supports its family."
  }),
  "cpu.voltage": ({ cpu: it2, low, high, volts: set, canSet, carried }) => ({
    title: `${volts(set)} on ${it2.name}`,
    sentence: `Do not power on: ${it2.name} is made for ${voltRange(low, high)}, and the board is set to ${volts(set)}. ${canSet ? "Set the voltage first." : "No setting known for this board gives less."}${!canSet && carried ? " A carrier with a regulator between CPU and socket would." : ""}`,
    why: voltageWhy
  }),
  "cpu.voltage-low": ({ cpu: it2, low, high, volts: set }) => ({
    title: `Voltage too low for ${it2.name}`,
    sentence: `It will not start, or it freezes: ${it2.name} is made for ${voltRange(low, high)}, and the board is set to ${volts(set)}.`,
    why: voltageWhy
  }),
  "cpu.voltage-unknown": ({ cpu: it2, high, setting }) => ({
    title: "CPU voltage not known",
    sentence: setting ? `Do not power on before you have looked at "${setting}" and recorded it: ${it2.name} takes at most ${volts(high)}.` : `Do not power on: nobody knows what voltage this board supplies, and ${it2.name} takes at most ${volts(high)}. Measure it at the empty socket.`,
    why: "An unknown voltage is a stop: too high destroys the CPU at once."
  }),
  "cpu.carrier": ({ carrier: carrier2, board: board3, cpu: it2, why }) => ({
    title: why === "board" ? `${carrier2.name} does not fit this board` : `${carrier2.name} does not take this CPU`,
    sentence: why === "board" ? `${the(carrier2)} does not go into the socket of ${the(board3)}.` : `${it2 ? the(it2) : "The CPU"} does not go into ${the(carrier2)}.`,
    why: "A carrier sits between CPU and socket: it must go into the one and take the other."
  }),
  "cpu.writes": ({ cpu: it2, board: board3, why }) => {
    const told = (title, sentence2) => ({
      title,
      sentence: sentence2,
      why: "A cache that writes back holds data that memory does not have yet. Unless the board asks the CPU first, a card or the floppy controller reads the old data."
    });
    switch (why) {
      case "stale":
        return told(
          `${it2.name} writes back, and the board does not ask it`,
          `${the(board3)} is set up for a CPU that writes through: floppies, sound and bus-master cards read old data, and files written to a floppy are damaged. Use a CPU that writes through, or switch the cache in the CPU off.`
        );
      case "unknown":
        return told(
          `Nobody knows whether the board can take a CPU that writes back`,
          `${it2.name} always writes back. If ${the(board3)} does not ask it, floppies and bus-master cards get old data: look for a jumper or setup line named L1 or write-back, and write a floppy for a test, with nothing on it that you need.`
        );
      case "slower":
        return told(
          `${it2.name} writes through on this board`,
          `Its pin for write-back stays open or off, so it runs a little slower and is safe. Do not switch it to write-back with a utility: ${the(board3)} would not ask it, and floppies would be damaged.`
        );
      case "told":
        return told(
          "The board expects a CPU that writes back",
          `${it2.name} writes through: set for write-back the board waits for answers that do not come, and may hang. Set it for write-through.`
        );
    }
  },
  "cpu.split": ({ cpu: it2, board: board3, inside: inside2 }) => ({
    title: `${it2.name} needs two voltages`,
    sentence: `${the(board3)} supplies one voltage only; this CPU needs ${voltRange(inside2.low, inside2.high)} for its core and 3.3 V for its pins.`,
    why: "A CPU with two voltages needs a board that supplies both."
  }),
  "cpu.clock": (f) => ({
    title: f.mistaken ? `Bus set to the number printed on ${f.cpu.name}` : `${f.cpu.name} runs too fast`,
    sentence: f.mistaken ? `${mhz2(f.ratedCore)} is the core clock; the jumpers set the bus, which must be ${mhz2(f.ratedBus)}. As set the core runs at ${mhz2(f.core)} and freezes.` : `It freezes or overheats: ${rating(f)}.`,
    why: clockWhy
  }),
  "cpu.bus": (f) => ({
    title: `Bus clock above the rating of ${f.cpu.name}`,
    sentence: `The core is within its rating, the bus is not: ${rating(f)}. Many parts run so; cache and memory must keep up. If it is unstable, lower the bus clock.`,
    why: clockWhy
  }),
  "cpu.slow": (f) => ({
    title: `${f.cpu.name} runs below its rating`,
    sentence: `Harmless, and slower: ${rating(f)}.`,
    why: clockWhy
  }),
  "cpu.multiplier": ({ cpu: it2, ratedFactor: ratedFactor2, factor, core }) => ({
    title: `${it2.name} runs at \xD7${times(factor)} here`,
    sentence: `The board has no multiplier jumper, so the CPU runs at \xD7${times(factor)}, ${mhz2(core)}. For \xD7${times(ratedFactor2)} its multiplier pin has to be wired on the board or on an adapter socket.`,
    why: "The multiplier is read from pins of the CPU; an open pin selects a factor of its own."
  }),
  "fpu.kind": (f) => {
    const why = "An FPU works with one family of CPU, and up to its own clock.";
    switch (f.why) {
      case "socket":
        return {
          title: `${f.fpu.name} has no socket here`,
          sentence: `${the(f.board)} ${f.sockets.length ? `takes ${or(f.sockets.map(family2))}` : "has no FPU socket"}.`,
          why
        };
      case "inside":
        return {
          title: `${f.cpu.name} has its own FPU`,
          sentence: `Take ${f.fpu.name} out: the CPU has an FPU inside, and two would answer.`,
          why
        };
      case "pair":
        return {
          title: `${f.fpu.name} does not work with ${f.cpu.name}`,
          sentence: `A ${family2(f.kind)} is not an FPU for a ${family2(f.family)}: programs will not find it, or the machine hangs. Take it out.`,
          why
        };
      case "slow":
        return {
          title: `${f.fpu.name} is too slow`,
          sentence: `It would be clocked at ${mhz2(f.needed)} and is rated ${mhz2(f.rated)}: wrong results or a freeze.`,
          why
        };
    }
  },
  "fpu.switch": ({ fpu }) => ({
    title: fpu ? 'FPU switch set to "none"' : 'FPU switch set to "fitted"',
    sentence: fpu ? `Programs will not find ${fpu.name} until the switch is set for it.` : "Programs that look for an FPU will hang: the switch says there is one.",
    why: "On an XT-class board a switch says whether an FPU is fitted."
  }),
  "cpu.oscillator": ({ oscillator: oscillator2, board: board3, mhz: printed, why }) => why === "jumpers" ? {
    title: `Nobody knows what ${oscillator2.name} clocks`,
    sentence: `Jumpers of ${the(board3)} choose the bus clock, so another oscillator may clock something else: the keyboard, the timer, a port. Read what is printed beside its socket; the clock is worked out from the jumpers.`,
    why: "Boards with clock jumpers have a chip that makes every clock from one crystal of 14.318 MHz."
  } : {
    title: `${oscillator2.name} also runs the timer`,
    sentence: `The one crystal of a 4.77 MHz board makes the CPU clock, the timer and the colours of CGA. At ${printed} MHz the time of day, the pitch of the speaker and disk time-outs are wrong, and a colour monitor on composite shows no colours.`,
    why: "14.318 MHz \xF7 3 is 4.77 MHz, \xF7 4 the colour carrier, \xF7 12 the timer."
  },
  "vlb.load": ({ cards: cards2, bus, most }) => ({
    title: `${counted2("local-bus card", "local-bus cards")(cards2)} at ${mhz2(bus)}`,
    sentence: `At ${mhz2(bus)} the local bus carries ${most}; with more, the picture or disk data is garbled. Lower the bus clock or take one out.`,
    why: "Local-bus slots run at the CPU bus clock: three cards up to 33 MHz, two up to 40, one above."
  }),
  "vlb.speed": ({ bus }) => ({
    title: `Local bus at ${mhz2(bus)}`,
    sentence: "Set the local-bus speed jumper for above 33 MHz and one write wait state. If the picture tears, lower the bus clock.",
    why: "Above 33 MHz writes over the local bus need a wait state."
  }),
  "isa.clock": ({ isa, cure }) => {
    const advice = isaAdvice(cure);
    return {
      title: `The ISA bus runs at ${mhz2(isa)}`,
      sentence: isa > 12 ? `Most cards fail at this clock. ${advice}` : `Some cards fail ${isa > 10 ? "at this clock: expect trouble" : "above 8.33 MHz"}. If one is not found: ${advice}`,
      why: "ISA cards are made for 8 to 8.33 MHz; 10 is marginal, and above 12 most fail."
    };
  }
};

// src/lib/words/en/storage.ts
var n = (x) => x.toLocaleString("en");
var bytes2 = (sectors) => `${n(sectors * 512)} bytes`;
var shape = ({ cylinders, heads, sectors }) => `${cylinders} \xD7 ${heads} \xD7 ${sectors}`;
function barrierWords(b) {
  switch (b.id) {
    case "bios-cylinders":
      return {
        symptom: b.cylinders === b.most ? "a drive of no cylinders at all, or a hang" : "the drive too small, or a hang",
        cause: `the BIOS keeps the cylinders in a field for fewer than ${n(b.most)}, and the drive has ${n(b.cylinders)}`
      };
    case "bios-6322":
      return {
        symptom: "a hang at detection",
        cause: `this BIOS hangs above 6,322 cylinders, and the drive has ${n(b.cylinders)}`
      };
    case "bios-65535":
      return {
        symptom: "a hang at detection",
        cause: "this BIOS divides by 16 \xD7 63 and keeps 16 bits of cylinders"
      };
    case "heads-256":
      return {
        symptom: "a hang as the operating system starts",
        cause: `${n(b.cylinders)} cylinders \xD7 ${b.heads} heads shift to ${b.shifted} \xD7 256, and DOS cannot take 256 heads`
      };
    case "int13":
    case "int13-ata":
      return {
        symptom: "the drive too small, the rest out of reach",
        cause: `INT 13h offers ${shape(b.offers)}`
      };
    case "one-partition":
      return {
        symptom: "one partition, and the rest of the disk unused",
        cause: `DOS ${b.dos} makes a single partition of at most ${sizeWords(b.most)}; several come with DOS 3.3`
      };
    case "dos-int13":
      return {
        symptom: "the drive too small, the rest not there",
        cause: `DOS ${b.dos} calls INT 13h with cylinder, head and sector only`
      };
    case "tool-64g":
      return {
        symptom: `a size of ${n(b.shownMiB)} MiB in the partition tool; the partition itself is right`,
        cause: "the DOS-mode partition tool of the late 1990s shows the size modulo 65,536 MiB"
      };
    case "reports-16383":
      return {
        symptom: "the geometry no longer tells the size; typed into an old setup it usually hangs",
        cause: "every larger ATA drive reports 16,383 \xD7 16 \xD7 63"
      };
    case "lba-28":
      return {
        symptom: "data past it can wrap round and overwrite the start",
        cause: "28 bits of sector number"
      };
    case "table-32":
      return {
        symptom: "the rest cannot be put into the partition table",
        cause: "its fields for start and length have 32 bits"
      };
  }
}
var overrunWords = (overruns) => and(overruns.map((o) => `partition ${o.number} by ${bytes2(o.sectors)}`));
function guardWords(v) {
  switch (v.why) {
    case "shape":
      return `Heads or sectors changed: made with ${v.made.heads} \xD7 ${v.made.sectors}, and this setup gives ${v.gives.heads} \xD7 ${v.gives.sectors}. Do not start from it, do not write to it.`;
    case "past":
      return `The last cylinder of this setup ends ${bytes2(v.sectors)} past the end of the medium. A partition that reaches there loses data, and stays quiet until then.`;
    case "plan-past":
      return `Planned past the end of the medium: ${overrunWords(v.overruns)}. It stays quiet until data gets there.`;
    case "plan-ends-before":
      return `The partitions planned here end on the medium, but a partition made up to the last cylinder of this setup would run ${bytes2(v.sectors)} past its end.`;
    case "rounding":
      return `${bytes2(v.sectors)} more than the medium has, but partitions end on whole cylinders, before its end.`;
    case "unused":
      return `Safe, but ${bytes2(v.sectors)} are not used.`;
    case "exact":
      return "Declared just as it is.";
  }
}
var ways = {
  "smaller drive": "smaller drive",
  "fewer cylinders": "fewer cylinders",
  "option ROM": "option ROM",
  "another BIOS": "another BIOS",
  overlay: "overlay",
  "clip jumper": "clip jumper"
};
var waysWords = (list2) => list2.map((way) => ways[way]).join(", ");

// src/lib/words/en/findings/disks.ts
var disks = {
  "disk.limit": ({ drive, barrier: b }) => ({
    title: `${drive.name} is larger than the ${b.who} can use`,
    sentence: `What you would see: ${barrierWords(b).symptom}. Up to ${sizeWords(b.sectors)} of ${the(drive)} can be used.${b.ways.length ? ` Ways past it: ${waysWords(b.ways)}.` : ""}`,
    why: sentence(barrierWords(b).cause)
  }),
  "disk.type": ({ drive, bios: bios2, types: types3, best, geometry, usable, lost: lost2 }) => ({
    title: `${drive.name}: type ${best}`,
    sentence: `${bios2} has ${types3} drive types and no user type. Type ${best} (${geometry.cylinders} \xD7 ${geometry.heads} \xD7 ${geometry.sectors}) uses most of ${the(drive)}: ${sizeWords(usable)}; ${sizeWords(lost2)} stay unused.`,
    why: "The oldest setups have a table of types and no user type."
  }),
  "disk.setup": ({ drive, verdict }) => ({
    title: verdict.why === "shape" ? `The setup does not match how ${drive.name} was partitioned` : `The setup reaches past the end of ${drive.name}`,
    sentence: guardWords(verdict),
    why: "Geometry belongs to a disk and a machine together: enter what it was partitioned with."
  })
};

// src/lib/words/en/findings/drives.ts
var bays2 = {
  "full-5": "a full-height 5.25 inch bay",
  "half-5": "a 5.25 inch bay",
  "half-3": "a 3.5 inch bay, or a 5.25 inch bay with rails",
  "third-3": "a 3.5 inch bay, or a 5.25 inch bay with rails"
};
var noPower = {
  slot: (controller) => `It sits on its card and takes its power from the slot; ${controller} is in none.`,
  cable: (controller) => `It takes its power over its data cable, and ${controller} feeds none. Use an adapter with a power lead, and match pin 1: one row off, its supply goes where it destroys the drive.`,
  "no-lead": (controller) => `It needs a power lead of its own, and there is none in this machine: ${controller} feeds its drives over the data cable.`
};
var interfaceWhy = "Drive and controller must use the same interface, whatever their plugs look like.";
var workedWords = (worked2) => worked2 ? ` It was seen to work on this board${worked2.last ? ` (${worked2.last})` : ""}: what was tried counts, and something here is not as the catalogue has it.` : "";
var drives4 = {
  "disk.interface": (f) => {
    const needs = interfaceName[f.needs] ?? f.needs;
    if (f.why === "off")
      return {
        title: `${f.drive.name} is connected to something switched off`,
        sentence: `${capital(ownerName(f.controller))} is switched off: the drive will not be found.`,
        why: interfaceWhy
      };
    if (f.why === "full")
      return {
        title: `Nothing runs ${f.drive.name}`,
        sentence: `Every controller for ${needs} has all the drives it can take.`,
        why: interfaceWhy
      };
    const trap = f.trap ? ` ${capital(ownerName(f.trap.controller))} has a plug that looks the same but is ${interfaceName[f.trap.speaks] ?? f.trap.speaks}: not compatible.` : "";
    return {
      title: `Nothing runs ${f.drive.name}`,
      sentence: `Its interface is ${needs}; ${f.controller ? `${ownerName(f.controller)} does not support it` : "no controller in the machine supports it"}.${trap}`,
      why: interfaceWhy
    };
  },
  "disk.coding": ({ drive, controller, drives: coding }) => ({
    title: coding === "rll" ? `${drive.name} loses a third on an MFM controller` : `${drive.name} is not promised to work with RLL`,
    sentence: coding === "rll" ? `${capital(ownerName(controller))} writes 17 sectors a track where RLL has 26. The drive works, low-level formatted anew.` : `${capital(ownerName(controller))} writes 26 sectors a track on a drive made for 17. It often formats; data may fade after weeks. Only drives sold for RLL are sure.`,
    why: "MFM and RLL use the same cables and write differently; each needs a low-level format of its own."
  }),
  "disk.controller-twice": ({ controllers }) => ({
    title: "Two floppy controllers are on",
    sentence: `${capital(and(controllers.map(ownerName)))}: switch one of them off, unless you gave the second one its own addresses.`,
    why: "Two controllers at one address hide each other."
  }),
  "disk.power": (f) => f.why === "adapter" ? {
    title: `${f.drive.name} needs a power adapter`,
    sentence: `${the(f.supply)} has large connectors only: use an adapter from large to small, and match the bevelled corners.`,
    why: "A drive has a power lead of its own, or sits on a card in a slot."
  } : {
    title: `${f.drive.name} gets no power`,
    sentence: noPower[f.why](ownerName(f.controller)),
    why: "A drive has a power lead of its own, takes its power over its data cable, or sits on a card in a slot."
  },
  "bay.out": ({ drive, bay, holds, isSeen }) => ({
    title: `${drive.name} is not in the machine now`,
    sentence: `${capital(bay)} ${isSeen ? "holds" : "is taken to hold"}: ${holds}. The drive is there only while its module is in the bay.`,
    why: "A bay takes one module at a time."
  }),
  "bay.no-battery": ({ machine: machine2, bays: open, isSeen }) => ({
    title: "No battery in this layout",
    sentence: `With the modules as they ${isSeen ? "are" : "are taken to be"}, ${the(machine2)} runs from its mains adapter only: pulling the plug switches it off.${open.length ? ` A battery goes into: ${open.join(", ")}.` : ""}`,
    why: "Its battery shares a bay with other modules."
  }),
  "bay.size": ({ drive, bay, chassis }) => ({
    title: `No bay for ${drive.name}`,
    sentence: `It needs ${bays2[bay] ?? "a bay"}, and ${the(chassis)} has none left.`,
    why: "A drive needs a bay of its size, or rails."
  }),
  "bay.rails": ({ drive }) => ({
    title: `${drive.name} needs rails`,
    sentence: "It goes into a 5.25 inch bay: you need rails and a bezel that fits.",
    why: "A drive needs a bay of its size, or rails."
  }),
  "drive.tried": ({ drive, not, last }) => ({
    title: `${drive.name} did not work on this board`,
    sentence: `It was tried here ${not === 1 ? "once" : `${not} times`}${last ? `, last on ${last}` : ""}, and did not work as it should. Find out why before you rely on it.`,
    why: "What was tried with this very drive stands above everything that is known of its kind."
  }),
  "floppy.rate": ({ drive, kib: kib4, controller, rate, needed: needed2, worked: worked2 }) => ({
    title: `The controller is too slow for ${floppyName2(kib4)}`,
    sentence: `${capital(ownerName(controller))} runs at ${rate} kbit/s at most, and ${floppyName2(kib4)} needs ${needed2}: ${drive.name} will not read its own disks, or only the smaller kind.${workedWords(worked2)}`,
    why: "The controller must have the data rate of the drive."
  }),
  "floppy.bios": ({ kib: kib4, bios: bios2, knows, driverHelps, worked: worked2 }) => ({
    title: `The BIOS does not support ${floppyName2(kib4)}`,
    sentence: `${bios2} supports up to ${floppyName2(knows)}${driverHelps ? ". A driver line (DRIVER.SYS or DRIVPARM) usually makes the drive work, but you cannot boot from it." : ": use a controller with its own ROM, or another drive."}${workedWords(worked2)}`,
    why: "The BIOS must know the type of floppy drive."
  }),
  "floppy.dos": ({ kib: kib4, dos, needs }) => ({
    title: `DOS ${dos} does not support ${floppyName2(kib4)}`,
    sentence: `It came with DOS ${needs}: with DOS ${dos} the drive works as a smaller one or not at all.`,
    why: "Each floppy format came with a version of DOS."
  }),
  "disk.boot": ({ scsi: scsi2, ata: ata2 }) => ({
    title: `The machine boots from ${ata2.name}, not from ${scsi2.name}`,
    sentence: `${the(ata2)} is run by the BIOS and gets C:; ${the(scsi2)} comes after it, whatever its ID. Some later setups have "SCSI first"; else leave the ATA disk out of the setup.`,
    why: "A BIOS boots from its own disks before those that a ROM on a card runs."
  }),
  "disk.rom": ({ drive, bios: bios2 }) => ({
    title: `Nothing boots ${drive.name}`,
    sentence: `${bios2} has no hard-disk code: the controller needs a ROM of its own.`,
    why: "Without hard-disk code in the BIOS a controller needs its own ROM."
  }),
  "rom.unscanned": ({ card, bios: bios2 }) => ({
    title: `The ROM of ${card.name} is never called`,
    sentence: `${bios2} does not look for ROMs on cards: ${the(card)} stays dead. Fit a later BIOS.`,
    why: "The very first BIOS has no search for ROMs on cards; the next version has."
  })
};

// src/lib/words/en/reach.ts
var pcTypes = { 1: "I", 2: "II", 3: "III" };
var lineName = { irq: "IRQ", dma: "DMA" };
function obstacleWords(o) {
  switch (o.why) {
    case "no-card":
      return "this is not a card";
    case "memory-board":
      return "the slot looks like ISA but takes only the memory board made for this system board";
    case "bus":
      return `a ${busName[o.card]} card does not go into a ${busName[o.slot]} slot`;
    case "local-bus":
      return "a local-bus card needs a local-bus slot";
    case "eight-bit":
      return "this 16-bit card does not work in an 8-bit slot";
    case "card-select":
      return "the slot goes by the card-selected line, and this card does not drive it";
    case "bus-master":
      return "the card takes the bus over by itself, and this slot does not let it";
    case "thick":
      return `the card is of type ${pcTypes[o.card]} and the slot takes type ${pcTypes[o.slot]} at most`;
    case "length":
      return `the card is ${o.cardMm} mm long and the slot has room for ${o.roomMm} mm`;
    case "skirt":
      return "the lower edge of the card hits the 16-bit part of the slot";
  }
}
function unreachableWords(u) {
  switch (u.why) {
    case "misfit":
      return obstacleWords(u.misfit);
    case "xt-ports":
      return `the slots of an XT-class board read nothing below 200h, and this is ${u.port}`;
    case "xt-top":
      return `an XT-class board has no ${lineName[u.resource]} above ${u.top}`;
    case "master-slot":
      return "an ISA bus master needs a 16-bit slot on an AT-class board";
    case "master-channel":
      return `a bus master uses DMA 0, 5, 6 or 7, not ${u.channel}`;
    case "narrow-card":
      return `an 8-bit card has no contact for ${lineName[u.resource]} ${u.number}`;
    case "narrow-slot":
      return `an 8-bit slot does not carry ${lineName[u.resource]} ${u.number}`;
    case "no-slot":
      return `${lineName[u.resource]} ${u.number} does not reach the slots`;
    case "addresses":
      return u.seat === "xt" ? "an XT-class board addresses 1 MiB only" : `${u.seat === "isa8" ? "an 8-bit slot" : "ISA"} addresses the first ${u.mib} MiB only`;
    case "alignment":
      return `a window of ${u.lengthKiB} KiB must start on a multiple of ${u.stepKiB} KiB, and ${u.base} does not`;
  }
}

// src/lib/words/en/findings/lines.ts
var symptom = {
  audio: "sound that repeats or stops",
  midi: "MIDI notes that hang",
  fm: "wrong or missing music",
  network: "a network that stalls or a driver that does not load",
  scsi: "a hang at a disk access",
  "hard-disk": "a hang at a disk access",
  floppy: "floppy read errors",
  serial: "a mouse or modem on this port that freezes",
  modem: "a modem that does not answer",
  mouse: "a pointer that freezes",
  parallel: "printing that stalls",
  cdrom: "a CD-ROM driver that finds no drive",
  scanner: "a scanner that is not found",
  display: "a wrong or missing picture",
  ems: "an EMS driver that refuses to load",
  rom: "a sign-on message that does not appear",
  game: "a joystick that moves by itself"
};
function expectation(a, b) {
  const seen3 = [...new Set([symptom[a.kind], symptom[b.kind]].filter((s2) => s2 !== void 0))];
  return seen3.length ? `Expect ${seen3.join(", or ")}.` : "Neither can be relied on.";
}
var doing = {
  irq: "both drive this interrupt",
  dma: "both use this DMA channel",
  io: "answer at the same ports",
  memory: "use the same memory window"
};
function reasonWords({ reason }) {
  switch (reason.kind) {
    case "apart":
      return "This card does not allow the two to be on one address.";
    case "port":
      return reason.mask ? `Both decode only the address lines in ${reason.mask}, so both answer at ${reason.port} and at every address like it.` : `Both answer at ${reason.port}.`;
    case "window":
      return `Both answer in ${reason.range}.`;
    case "pci-isa":
      return "PCI cards can share an interrupt with each other, never with an ISA card.";
    case "irq-2-9":
      return "On an AT-class board the IRQ 2 contact is wired to IRQ 9: it is one line.";
    case "edge":
      return "ISA interrupts are edge-triggered and driven by the card: two devices cannot use one.";
  }
}
var clashOn = (both) => (f) => ({
  title: f.how === "driven-twice" ? `${f.lineA} is used twice` : f.how === "overlap" ? `${f.lineA} overlaps ${f.lineB}` : `${f.lineA} is an alias of ${f.lineB}`,
  sentence: `${capital(ownerName(f.a))} and ${ownerName(f.b)} ${both}. ${expectation(f.a, f.b)}`,
  why: reasonWords(f)
});
var lines = {
  "line.irq": clashOn(doing.irq),
  "line.dma": clashOn(doing.dma),
  "line.io": clashOn(doing.io),
  "line.memory": clashOn(doing.memory),
  "line.more": ({ more, listed }) => ({
    title: `${more} more clashes`,
    sentence: `Only the first ${listed} are listed. Start with fewer cards, or press Resolve.`,
    why: "Nobody reads a list longer than that."
  }),
  "line.share-unused": ({ line: line2, quiet: quiet2, other }) => ({
    title: `${line2} is shared`,
    sentence: `${capital(ownerName(quiet2))} must not use its interrupt. Plain DOS printing does not need it; a driver that turns it on would upset ${ownerName(other)}.`,
    why: "A printer port in plain mode leaves its interrupt unused."
  }),
  "line.share-idle": ({ line: line2, a, b }) => ({
    title: `${line2} is shared`,
    sentence: `${capital(ownerName(a))} and ${ownerName(b)} work as long as they are never used at the same time.`,
    why: "Both ports release the line while their software is not running, and you said they never run together."
  }),
  "slot.reach": ({ owner, line: line2, why }) => ({
    title: `${line2} cannot work here`,
    sentence: `${capital(ownerName(owner))} is set to ${line2}, but ${unreachableWords(why)}. It will not be found.`,
    why: sentence(unreachableWords(why))
  }),
  "rom.window": ({ owner, line: line2, why }) => ({
    title: `${line2} cannot work here`,
    sentence: `${capital(ownerName(owner))} is set to ${line2}, but ${unreachableWords(why)}. It will not be found.`,
    why: sentence(unreachableWords(why))
  }),
  "rom.16bit": ({ wide, narrow, block }) => ({
    title: "8-bit beside 16-bit memory",
    sentence: `${capital(ownerName(wide))} answers as 16-bit memory for all of ${block}. ${capital(ownerName(narrow))} is 8-bit and sits in the same block: it may read as garbage. Set the 16-bit card to 8-bit memory, turn on shadowing for its ROM, or move one of them to another block.`,
    why: "On ISA a card claims 16-bit memory by address lines 17 to 23 alone, so always for a whole block of 128 KiB."
  }),
  "pci.interrupt": ({ card, function: fn }) => ({
    title: `${card.name} has no interrupt`,
    sentence: `The interrupt of its slot is set to off in the setup, so ${fn} of ${the(card)} will not work. Give the slot an interrupt, or move the card.`,
    why: "A PCI function needs its interrupt; only a video card works without one."
  }),
  "brief.off": ({ card, function: fn }) => ({
    title: `${capital(fn)} is switched off`,
    sentence: `${fn} of ${the(card)} is switched off, and the brief needs it.`,
    why: "The brief says that this must be on."
  }),
  "audio.profile": ({ program: program2, function: fn, cards: cards2, accepts, note }) => ({
    title: `${program2} will not find ${fn}`,
    sentence: `${note ? `${sentence(note)} ` : ""}It accepts ${accepts}. ${and(cards2.map(the))} ${cards2.length > 1 ? "are" : "is"} set to something else.`,
    why: "Many programs look for a card at its first settings only."
  }),
  "serial.buffer": ({ owner, uart, needy }) => ({
    title: `${ownerShort(owner)} holds one character at a time`,
    sentence: `It is ${uart === "8250" ? "an" : "a"} ${uart}. For ${and(needy)} start at 9,600 baud: on an 8088 and under Windows characters are lost much above, under DOS on a fast AT-class machine 38,400 is usual. A port with a 16550 queues sixteen.`,
    why: "A serial chip without a queue loses a character when the machine does not fetch it before the next one arrives."
  }),
  "port.numbering": ({ ports: ports2 }) => ({
    title: `${ports2.map((p) => p.name).join(", ")}: not the usual addresses`,
    sentence: `The BIOS calls ${and(ports2.map((p) => `${p.address} (${ownerName(p.owner)}) ${p.name}`))}. Programs that ask for a port by its name get it so.`,
    why: "The BIOS numbers ports in the order in which it finds them: printers at 3BCh, 378h, 278h, serial ports at 3F8h, 2F8h. A gap closes up. Programs that go by the address are not concerned."
  }),
  "acpi.irq9": ({ bios: bios2, owner }) => ({
    title: "IRQ 9 may belong to power management",
    sentence: `With ${bios2} the board uses IRQ 9 for ACPI once Windows turns it on; ${ownerName(owner)} may not be found then. Use another interrupt, or turn ACPI off in the setup.`,
    why: "Boards from 1998 on route their power management to IRQ 9."
  }),
  "unknown.lines": ({ part, function: fn }) => ({
    title: `Nothing is known about what ${fn ? `${fn} of ${part.name}` : part.name} uses`,
    sentence: `${the(part)} may use any interrupt, DMA channel, port or memory window, so a clash with it would not show here. Describe what it uses, or start without it first.`,
    why: "A card uses its lines whether or not anybody has written them down."
  }),
  "unknown.routing": ({ card, function: fn, slot: slot2 }) => ({
    title: `The interrupt of ${card.name} is unknown`,
    sentence: `Nobody has written down how slot ${slot2} is wired, so ${fn} of ${the(card)} may get any interrupt, including one that an ISA card uses. Read it off the screen at power-on.`,
    why: "The system board decides which interrupt a PCI slot is wired to."
  })
};

// src/lib/words/en/findings/memory.ts
var forms = {
  chips: "loose chips",
  sipp30: "30-pin SIPPs",
  simm30: "30-pin SIMMs",
  simm72: "72-pin SIMMs",
  dimm168: "168-pin DIMMs"
};
var types2 = { dram: "plain DRAM", fpm: "fast page", edo: "EDO", sdram: "SDRAM" };
var form2 = (id2) => forms[id2] ?? id2;
var bankWhy = "A bank is full or empty, and its modules are alike in size, type, parity and speed.";
var memory2 = {
  "memory.bank": ({ bank: bank2, filled, sockets: sockets2, why }) => ({
    title: why === "part" ? `Bank ${bank2} is part full` : `Too many modules in bank ${bank2}`,
    sentence: `${filled} of ${sockets2} sockets: the board counts nothing in this bank, or does not start.`,
    why: bankWhy
  }),
  "memory.mixed": ({ bank: bank2, what, values }) => {
    const names2 = {
      size: () => and(values.map((v) => kib2(Number(v)))),
      type: () => and(values.map((v) => types2[v] ?? v)),
      parity: () => "modules with and without parity",
      speed: () => and([...values].sort((a, b) => Number(a) - Number(b)).map((v) => `${v} ns`))
    }[what]();
    const effect = {
      size: "The bank is counted wrong or not at all.",
      type: "Timing differs: it is not counted, or gives errors.",
      parity: "With the parity check on the machine stops with a parity error; turn the check off.",
      speed: "The slowest module decides; set wait states for it."
    }[what];
    return { title: `Bank ${bank2} is mixed`, sentence: `It holds ${names2}. ${effect}`, why: bankWhy };
  },
  "memory.loose": ({ bank: bank2 }) => ({
    title: bank2 === null ? "Memory without a bank" : `There is no bank ${bank2}`,
    sentence: "It is left out of the memory count until it is in a bank of this board.",
    why: bankWhy
  }),
  "memory.first": ({ bank: bank2, filled, some }) => ({
    title: `Bank ${bank2} is empty`,
    sentence: some ? `Only bank ${and(filled)} is filled. Some boards of this age start from any bank; others stay dark, or beep for missing memory. Fill bank ${bank2} first.` : `Only bank ${and(filled)} is filled. The board looks for its first memory in bank ${bank2}: it stays dark, or beeps for missing memory.`,
    why: "The first memory test runs in the first bank, unless the memory table of the board says otherwise."
  }),
  "memory.filling": ({ known: known3 }) => ({
    title: "The board does not list this combination",
    sentence: `It may count wrong or not at all. Listed: ${known3.slice(0, 6).map((row2) => row2.map(kib2).join(" + ")).join("; ")}.`,
    why: "Boards support the combinations of their memory table only."
  }),
  "memory.kind": (f) => ({
    title: `${f.module.name} does not belong in bank ${f.bank}`,
    sentence: `It will not be counted: ${f.why === "form" ? `bank ${f.bank} takes ${or(f.takes.map(form2))}, and these are ${form2(f.is)}` : f.why === "size" ? `the board takes modules of ${or(f.takes.map(kib2))}` : `the board does not support ${types2[f.type] ?? f.type}`}.`,
    why: "A board takes certain forms, sizes and types of memory only."
  }),
  "memory.edo": ({ module }) => ({
    title: `${module.name} is EDO`,
    sentence: `The board does not support EDO. On most boards from the 486 on ${module.name} works as fast-page memory; nobody promises it.`,
    why: "A board takes certain forms, sizes and types of memory only."
  }),
  "memory.speed": ({ module, ns, needed: needed2, busMHz: busMHz2 }) => busMHz2 === void 0 ? {
    title: `${module.name} is slow for this board`,
    sentence: `${the(module)} is ${ns} ns and the board is specified for ${needed2} ns: parity errors or a freeze, unless the setup adds a wait state.`,
    why: "Memory must be as fast as the clock and the wait states require."
  } : {
    title: `${module.name} may be too slow at ${mhz2(busMHz2)}`,
    sentence: `${the(module)} is ${ns} ns: mostly made for 66 MHz. At ${mhz2(busMHz2)} ${needed2} ns is asked; expect freezes or errors, or run the bus at 66 MHz.`,
    why: "SDRAM runs at the clock of the bus; modules for 100 MHz are marked 8 ns or PC100."
  },
  "memory.parity": ({ required: required2 }) => ({
    title: "Memory without parity",
    sentence: required2 ? "This board always checks parity: it stops with a parity error at once." : "Turn the parity check off in the setup, or the board does not start.",
    why: "Either all memory has parity, on the board and on cards, or the check is off."
  }),
  "memory.card": ({ card, startKiB, endsKiB, kib: size2, isGap, isSeen }) => ({
    title: isGap ? `Hole in the memory before ${card.name}` : `Memory of ${card.name} lies over other memory`,
    sentence: `The memory before it ends at ${kib2(endsKiB)}, and the ${kib2(size2)} of ${card.name} ${isSeen ? "begin" : "are taken to begin"} at ${kib2(startKiB)}${isGap ? ": the count stops at the hole." : ": both answer there, with parity errors or damaged data."}${isSeen ? "" : " Nobody has looked at that switch yet."}`,
    why: "Memory on a card must begin where the memory before it ends."
  }),
  "memory.backfill": ({ card, endsKiB, isSeen, canFill }) => ({
    title: `${card.name} does not fill up to 640 KiB`,
    sentence: `The memory on the board ends at ${kib2(endsKiB)}, and ${card.name} ${isSeen ? "is set" : "is taken to be set"} to give expanded memory only: DOS gets no more than ${kib2(endsKiB)}.${canFill ? " Its switch can fill conventional memory up; what it fills is lost as expanded memory." : " No position of its switch begins there."}${isSeen ? "" : " Nobody has looked at that switch yet."}`,
    why: "A memory board with backfill replaces the conventional memory that the system board lacks. Switches of the board, the card and the line of its driver must agree."
  }),
  "memory.sides": ({ module, bank: bank2 }) => ({
    title: `${module.name} in bank ${bank2} has two sides`,
    sentence: "On many boards a two-sided 72-pin module uses the select lines of the next bank too, so that bank is not counted. If the count is short, leave the next bank empty.",
    why: "A two-sided module is two banks in one."
  }),
  "memory.reach": ({ limit, total, by, family: family3 }) => ({
    title: by === "cache" ? "Part of the memory is not cached" : by === "cpu" ? `More memory than a ${family3.toUpperCase()} can address` : "More memory than the board takes",
    sentence: by === "cache" ? `Above ${kib2(limit)} this board runs slower, and Windows uses the top first.` : `${capital(kib2(limit))} of ${kib2(total)} can be used.`,
    why: "A CPU, a board and its cache each cover only so much memory."
  }),
  "memory.shown": ({ count: count2, total, extended }) => ({
    title: `The memory count will stop at ${kib2(count2)}`,
    sentence: `${kib2(total)} are fitted; 640 KiB and ${kib2(extended)} above 1 MiB are counted. That is normal here.`,
    why: "Shadow RAM, and memory the board cannot remap, are not counted at POST."
  }),
  "dma.reach16m": ({ card }) => ({
    title: `${card.name} reaches the first 16 MiB only`,
    sentence: `With more memory the driver of ${the(card)} must copy through a buffer below 16 MiB, or data is lost. Look for that option of the driver.`,
    why: "ISA bus masters and DMA address 16 MiB only."
  })
};

// src/lib/words/en/findings/picture.ts
var signalWhy = "A monitor shows a signal when the plug, the kind of signal and both frequencies suit it.";
var picture3 = {
  "video.danger": ({ monitor, card, horizontal, ranges }) => ({
    title: `${monitor.name} can be damaged`,
    sentence: `Do not connect it: the plug fits, but ${the(card)} sends ${horizontal} kHz and the monitor is made for ${ranges.map((r) => `${r.low} to ${r.high}`).join(", ")} kHz only. Switch off at once if it whines or the picture rolls.`,
    why: "All DE-9 plugs fit each other; a fixed-frequency monitor fed with other timing can be damaged within seconds."
  }),
  "video.signal": ({ monitor, card, why }) => ({
    title: card ? `${monitor.name} shows nothing from ${card.name}` : `Nothing drives ${monitor.name}`,
    sentence: why === "no-card" || !card ? "There is no video card in the machine." : why === "plug" ? `${the(card)} and the monitor have different plugs.` : `The plug fits, but none of the frequencies of ${the(card)} are in the monitor\u2019s range.`,
    why: signalWhy
  }),
  "video.modes": ({ monitor, card, modes: modes2, fixed }) => ({
    title: `${counted2("mode", "modes")(modes2.length)} of ${card.name} that ${monitor.name} cannot show`,
    sentence: `Do not choose ${modes2.join(", ")}: the picture rolls or stays dark${fixed ? ", and a fixed-frequency monitor can be damaged" : ""}.`,
    why: signalWhy
  }),
  "video.flat": ({ monitor }) => ({
    title: `${monitor.name} may come up in grey`,
    sentence: "If colours are missing, the card found no identification pins: use its utility, or wire the pin.",
    why: "A VGA card that finds no identification pins may start in monochrome."
  }),
  "video.grey": ({ monitor }) => ({
    title: `${monitor.name} shows grey only`,
    sentence: `Everything works on ${the(monitor)}, in shades of grey: some programs are hard to read or to play without colour.`,
    why: "A monochrome analogue monitor shows colours as grey values."
  }),
  "video.switch": ({ set, card, is, harmless }) => {
    const kind2 = (k) => k === "mono" ? "a monochrome card" : k === "colour" ? "a colour card" : "a card with its own BIOS";
    return {
      title: `Display switch set for ${kind2(set)}`,
      sentence: harmless ? `The BIOS of ${the(card)} takes over; set the jumper all the same, since some setups complain.` : `Expect a dark screen and one long, two short beeps (eight short with another BIOS). ${the(card)} is ${kind2(is)}.`,
      why: "A switch says which display to start with; the BIOS beeps when that one is not there."
    };
  },
  "video.two": ({ kind: kind2, cards: cards2 }) => ({
    title: `Two ${kind2 === "mono" ? "monochrome" : "colour"} displays`,
    sentence: `${and(cards2.map(the))} answer at the same addresses. Keep one of them; a monochrome card beside a colour card is fine.`,
    why: "One monochrome and one colour display can be used together; two of the same kind cannot."
  }),
  "video.second": ({ cards: cards2 }) => ({
    title: "Two displays, driven by Windows 98",
    sentence: `Before Windows starts only one of ${and(cards2.map(the))} shows a picture: the one the BIOS finds first. DOS programs use that one only.`,
    why: "Windows 98 turns the legacy ranges of a second PCI or AGP display off and drives both."
  }),
  "video.pass": ({ card }) => ({
    title: `${card.name} needs another video card`,
    sentence: `${the(card)} passes the picture of a VGA card through; alone the screen stays dark.`,
    why: "A 3D-only card shows nothing by itself."
  })
};

// src/lib/words/en/rails.ts
var railWords = {
  "+5": "+5 V",
  "+12": "+12 V",
  "-12": "\u221212 V",
  "-5": "\u22125 V",
  "+3.3": "+3.3 V",
  standby: "+5 V standby",
  "power-good": "power good",
  "switch-on": "switch on",
  ground: "ground",
  none: "no pin"
};
var plugWords = {
  at: "AT power plugs, P1 to P12",
  atx20: "ATX power plug, 20 pins",
  drive: "drive plug, big",
  floppy: "drive plug, small",
  slot: "ISA slot, row B"
};
var railList = (rails2) => and(rails2.map((r) => railWords[r]));
var railStopWords = ({ plug, rails: rails2 }) => `Do not switch on: ${railList(rails2)} at the ${plugWords[plug]} reads short or wrong.`;

// src/lib/words/en/findings/power.ts
var forms2 = {
  xt: "XT",
  at: "AT",
  atx: "ATX",
  "full-at": "full-size AT",
  "baby-at": "Baby AT",
  lpx: "LPX"
};
var form3 = (id2) => forms2[id2] ?? id2;
var connectors = counted2("power connector is", "power connectors are");
var power3 = {
  "power.minus5-dram": ({ supply, board: board3 }) => ({
    title: "No \u22125 V for three-supply memory",
    sentence: `Do not power on: ${the(supply)} has no \u22125 V, and the memory of ${the(board3)} burns out without it.`,
    why: "Three-supply memory is destroyed when \u22125 V is missing while +12 V is on."
  }),
  "power.rail": ({ supply, rail: rail2, amps: takes, limit }) => ({
    title: `${rail2} is overloaded`,
    sentence: `The parts draw ${amps2(takes)} and ${the(supply)} supplies ${amps2(limit)}: it shuts down, or does not start.`,
    why: "What the parts draw together must stay below what the rail supplies."
  }),
  "power.start": ({ amps: takes, limit }) => ({
    title: "Spinning up draws more than +12 V supplies",
    sentence: `${amps2(takes)} for some seconds, and the supply has ${amps2(limit)}: it may shut down at power-on. A spin-up delay or one drive less helps.`,
    why: "Hard disks draw most while they spin up."
  }),
  "power.rails": (f) => f.why === "exchanged" ? {
    title: "The power plugs were exchanged",
    sentence: `Do not switch on: unplug it, put the plugs right, black wires in the middle, and read the ohms of the board under Start, Rails. ${f.cased === true ? "In a case both grounds are joined, so the supply cuts off at once: it may have survived." : f.cased === false ? "Without a case the logic got its 5 V the wrong way round: mostly it does not survive." : "Whether it survived nobody can say before."}`,
    why: "Exchanged, ground gets +5 V, and +5 V gets ground and \u221212 V. Memory and serial chips go first."
  } : {
    title: `${capital(railList(f.rails))} measured short or wrong`,
    sentence: railStopWords(f),
    why: "A supply that is switched on into a short burns what made it, or what feeds it."
  },
  "power.least": ({ supply, needs, gets }) => ({
    title: "Too little load for the power supply",
    sentence: `${the(supply)} needs a load of ${amps2(needs)} on +5 V and gets ${amps2(gets)}: it may click and stay off. The board is not at fault then.`,
    why: "Old power supplies do not start without a load."
  }),
  "power.minus5": ({ supply, needy }) => ({
    title: "No \u22125 V",
    sentence: `${capital(and(needy))} will not work: ${the(supply)} has no \u22125 V.`,
    why: "Some sound and memory cards need \u22125 V."
  }),
  "power.plugs": ({ supply, missing: missing2, has: has3, needs }) => ({
    title: `${connectors(missing2)} missing`,
    sentence: `${the(supply)} has ${has3.large} large and ${has3.small} small connectors; the drives need ${needs.large} and ${needs.small}. A Y cable helps as long as the rail allows it.`,
    why: "Each drive needs its own power connector."
  }),
  "power.form": ({ supply, has: has3 }) => ({
    title: `${supply.name} has other connectors`,
    sentence: has3 === "atx" ? "You need an adapter from ATX to the two AT connectors, and a switch. Black wires together in the middle." : "The board needs the 20-pin ATX connector, which an AT supply cannot provide.",
    why: "Power supply, board and case belong together."
  }),
  "bay.supply": ({ supply, chassis, takes }) => ({
    title: `${supply.name} does not fit the case`,
    sentence: `${the(chassis)} takes ${or(takes.map(form3))} power supplies.`,
    why: "Power supply, board and case belong together."
  }),
  "bay.board": (facts2) => facts2.why === "size" ? {
    title: "The board does not fit the case",
    sentence: `${the(facts2.board)} is ${form3(facts2.form)}, and ${the(facts2.chassis)} takes ${or(facts2.takes.map(form3))}: holes and slots do not line up.`,
    why: "Power supply, board and case belong together."
  } : {
    title: "Slots and openings do not line up",
    sentence: `The slots of ${the(facts2.board)} are ${facts2.slots} apart, the openings of ${the(facts2.chassis)} ${facts2.openings}: most brackets meet no opening and cannot be screwed down. Use a case with openings ${facts2.slots} apart.`,
    why: "The oldest boards have five slots, an inch apart; later ones have eight in the same width."
  }
};

// src/lib/words/en/findings/seats.ts
var settings = counted2("setting", "settings");
function widthWords({ card, state, claim, same, other }) {
  const narrow = "as an 8-bit card, without IRQ 10 and up and without DMA 0 and 5 to 7";
  const on = (tried) => tried.last ? `, last on ${tried.last}` : "";
  const elsewhere = other.works + other.not && !(same.works + same.not) ? ` In this slot it was tried at another clock, or at one that nobody wrote down: works ${other.works}, does not ${other.not}${on(other)}.` : "";
  if (same.works && same.not)
    return `${the(card)} was tried in this slot at this clock: works ${same.works}, does not ${same.not}${on(same)}. Something else decides it: another setting, another card, heat.`;
  if (same.works)
    return `${the(card)} was seen to work in this slot at this clock${on(same)}: ${narrow}.${claim === "no" ? " The catalogue says that such cards do not; what was tried counts." : ""}`;
  if (same.not)
    return `${the(card)} was tried in this slot at this clock and did not work${on(same)}.${claim === "yes" ? " The catalogue says that such cards do; what was tried counts." : ""}`;
  if (state === "works") return `${the(card)} works there ${narrow}.${elsewhere}`;
  if (state === "cannot")
    return `${the(card)} will not work there: it is a 16-bit card that does not work in an 8-bit slot.${elsewhere}`;
  return elsewhere ? `${the(card)} may work there, and only ${narrow}.${elsewhere}` : `Nobody has tried ${the(card)} in an 8-bit slot. It may not be found at all.`;
}
var seats2 = {
  "slot.kind": ({ card, slot: slot2, why }) => ({
    title: `${card.name} does not belong in slot ${slot2}`,
    sentence: why.why === "memory-board" ? `Do not power on: ${obstacleWords(why)}.` : `${the(card)} will not work there: ${obstacleWords(why)}.`,
    why: sentence(obstacleWords(why))
  }),
  "slot.width": (f) => ({
    title: f.state === "cannot" ? `${f.card.name} ${f.same.not ? "did not work" : "does not belong"} in slot ${f.slot}` : `${f.card.name} is in an 8-bit slot`,
    sentence: widthWords(f),
    why: "Whether a 16-bit card works in an 8-bit slot depends on the card and has to be tried."
  }),
  "slot.untried": ({ card, slot: slot2, why }) => why === "select" ? {
    title: `${card.name} may not be found in slot ${slot2}`,
    sentence: `This slot hears only cards that drive the card-selected line. Nobody has tried ${the(card)} in it: use another slot, or test it there alone.`,
    why: "The short slot next to the supply of the first eight-slot XT boards sits behind a buffer of its own, which the card has to open."
  } : {
    title: `${card.name} is a bus master in slot ${slot2}`,
    sentence: `Nobody has written down which local-bus slots of this board let a card take the bus over. If ${the(card)} is not found or hangs, try it in another one.`,
    why: "Often only one or two of the local-bus slots allow bus masters."
  },
  "slot.taken": ({ a, b, slot: slot2 }) => ({
    title: `Slot ${slot2} holds two cards`,
    sentence: `${the(a)} and ${the(b)} cannot both be in it. Move one of them.`,
    why: "One slot holds one card."
  }),
  "slot.shared": ({ a, b, slotA, slotB, why }) => ({
    title: why === "bracket" ? `Slots ${slotA} and ${slotB} share a bracket` : `A card of type III fills slots ${slotA} and ${slotB}`,
    sentence: `${the(a)} and ${the(b)} cannot both be fitted. Move one of them.`,
    why: why === "bracket" ? "Two slots that share one opening in the case hold one card between them." : "A PC card of type III is 10.5 mm thick: it takes the room of two."
  }),
  "slot.none": ({ card, free: free2 }) => ({
    title: `${card.name} is in no slot`,
    sentence: free2 ? `${the(card)} is left out of the check until it has a slot.` : `No free slot takes ${the(card)}. It is left out of the check; take another card out, or leave this one out.`,
    why: "A card that is in no slot uses nothing, so nothing about it is checked."
  }),
  "slot.length": ({ card, slot: slot2, cardMm, roomMm, by }) => ({
    title: by === "cage" ? `${card.name} does not fit the case` : `${card.name} is too long for slot ${slot2}`,
    sentence: by === "cage" ? `${the(card)} is ${cardMm} mm long, and the drive cage leaves ${roomMm} mm.` : `${the(card)} is ${cardMm} mm long, and something on the board is in the way after ${roomMm} mm.`,
    why: "A card must end before the cooler, the memory modules and the drive cage."
  }),
  "slot.skirt": ({ card }) => ({
    title: `${card.name} does not go down into the slot`,
    sentence: `The lower edge of ${the(card)} hits the 16-bit part of the slot, so the card cannot be pushed home. Use an 8-bit slot.`,
    why: "Some 8-bit cards reach down where a 16-bit slot has its second connector."
  }),
  "part.constraint": ({ card, why }) => ({
    title: `${card.name} does not allow this combination`,
    sentence: `${sentence(why)} As it is set it will not work, or only in part.`,
    why: "Some combinations of settings do not work."
  }),
  "disk.firmware-base": ({ card, why }) => ({
    title: `${card.name} does not allow this combination`,
    sentence: `${sentence(why)} The card will not be found as it is set.`,
    why: "A disk ROM looks for its controller only at the ports it was built for."
  }),
  "setting.unseen": ({ part, settings: names2 }) => ({
    title: `${part.name}: ${settings(names2.length)} not looked at`,
    sentence: `Assumed to be at the default: ${names2.join(", ")}. Look before you rely on it.`,
    why: "A position that nobody looked at is assumed to be the default."
  }),
  "setting.unknown": ({ part, setting, decides }) => ({
    title: `${setting} of ${part.name} is unknown`,
    sentence: decides.length ? `It decides where ${decides.join(", ")} ends up. Record how it is set, and test it before you trust the lines shown here.` : "It may switch something on or move it. Record how it is set, and leave it there.",
    why: "Nobody knows what this setting does, so it is never moved and nothing that depends on it is certain."
  }),
  "evidence.guess": ({ part, setting }) => ({
    title: `${setting} is a guess`,
    sentence: `What ${setting} of ${the(part)} does was never confirmed. Test it alone, one change per power-on.`,
    why: "A setting whose meaning is a guess may do something else."
  }),
  "evidence.conflict": ({ what, sources }) => {
    const name2 = "setting" in what ? [what.setting, what.position].filter(Boolean).join(", ") : `the ${what.resource} of ${what.function}`;
    return {
      title: `Sources disagree about ${name2}`,
      sentence: `${sources.map((s2) => `${s2.source}: ${s2.says}`).join("; ")}. Test the safer one first, and mark the one that proved right.`,
      why: "Where two sources disagree both are kept until a test has settled it."
    };
  }
};

// src/lib/words/en/findings/unknown.ts
var openFacts2 = {
  socket: ["CPU socket", "whether the CPU fits, and its voltage"],
  clock: ["clock", "how fast the CPU runs"],
  memory: ["memory", "memory banks, module kinds and the memory count"],
  keyboard: ["keyboard connector", "whether the keyboard fits"],
  power: ["power connector", "whether the power supply fits"],
  form: ["size", "whether it fits the case"],
  supply: ["its own power supply", "whether it carries what is fitted"],
  panel: ["built-in display", "which pictures it shows"]
};
var missingNames = {
  cpu: "CPU",
  memory: "memory",
  monitor: "monitor",
  display: "video card",
  drives: "drives",
  supply: "power supply",
  keyboard: "keyboard"
};
var unknown = {
  "unknown.board": ({ board: board3, open }) => ({
    title: `${board3.name}: ${open.map((o) => openFacts2[o][0]).join(", ")} unknown`,
    sentence: `Not checked because of that on ${the(board3)}: ${open.map((o) => openFacts2[o][1]).join("; ")}.`,
    why: "What is not known about a board is left out of the check."
  }),
  "unknown.bios": () => ({
    title: "Nothing is known about the BIOS",
    sentence: "Not checked because of that: how large a disk it can use, which floppy drives it knows, and whether it looks for ROMs on cards.",
    why: "The BIOS decides which drives are seen, how much of them, and what the machine boots from."
  }),
  "part.bad": ({ part, at: at2, by, why }) => ({
    title: `${part.name} was found bad`,
    sentence: `${by === "shelf" ? `The shelf says so of ${the(part)}` : `${capital(the(part))} was found bad in this machine`} on ${at2}${why ? `: ${why}` : ""}. Take it out, or put another one in.`,
    why: "What was found on this very part stands above everything that is known of its kind."
  }),
  "part.borrowed": ({ part, from, at: at2 }) => ({
    title: `${part.name} is on loan from ${from}`,
    sentence: `${capital(the(part))} came from ${from} on ${at2}. A cure with a borrowed part is not a repair, and ${from} is not a reference until the part is back.`,
    why: "With a part missing it is a different machine: whatever is compared with it has to name the difference."
  }),
  "kit.missing": ({ missing: kinds3 }) => ({
    title: "Not entered yet",
    sentence: `No ${and(kinds3.map((k) => missingNames[k]))} yet: left out of the check until you add ${kinds3.length > 1 ? "them" : "it"} under Fit.`,
    why: "What is not entered is left out of the check."
  })
};

// src/lib/words/en/findings/index.ts
var findings = {
  ...lines,
  ...seats2,
  ...unknown,
  ...cpu,
  ...board2,
  ...memory2,
  ...picture3,
  ...drives4,
  ...cables2,
  ...disks,
  ...power3,
  ...brief
};

// src/lib/core/boot/drivers.ts
var driver2 = (row2) => ({
  ofDos: false,
  where: "config",
  cpu: "8088",
  dos: 2,
  after: [],
  high: "yes",
  v86: "any",
  needs: [],
  args: "",
  ...row2
});
var config = (row2) => driver2(row2);
var batch = (row2) => driver2({ where: "autoexec", ...row2 });
var dosConfig = (row2) => driver2({ ofDos: true, ...row2 });
var dosBatch = (row2) => driver2({ ofDos: true, where: "autoexec", ...row2 });
var drivers = [
  driver2({ id: "overlay", class: "overlay", file: "large-disk overlay", where: "boot-record", load: [2, 8], stay: [2, 8], high: "no" }),
  dosConfig({ id: "himem", class: "xms", file: "HIMEM.SYS", cpu: "286", dos: 3, load: [15, 35], stay: [1, 3], high: "no" }),
  config({ id: "xms-286", class: "xms", file: "XMS286.SYS", cpu: "286", dos: 3, load: [12, 20], stay: [1, 3], high: "no" }),
  dosConfig({ id: "emm386", class: "manager", file: "EMM386.EXE", cpu: "386sx", dos: 5, load: [90, 125], stay: [3, 4], after: ["xms"], high: "no", v86: "needs", needs: ["xms"] }),
  dosConfig({ id: "emm386-5", class: "manager", file: "EMM386.EXE", cpu: "386sx", dos: 5, until: 5.99, load: [80, 100], stay: [8, 10], after: ["xms"], high: "no", v86: "needs", needs: ["xms"] }),
  dosConfig({ id: "emm386-4", class: "manager", file: "EMM386.SYS", cpu: "386sx", dos: 4, until: 4.99, load: [60, 90], stay: [8, 12], high: "no", v86: "needs" }),
  config({ id: "umb-xt", class: "upper-driver", file: "UMBXT.SYS", dos: 5, load: [2, 8], stay: [0.5, 2], high: "no" }),
  config({ id: "umb-chipset", class: "upper-driver", file: "UMBCHIP.SYS", cpu: "286", dos: 5, load: [2, 8], stay: [0.5, 2], after: ["xms"], high: "no" }),
  config({ id: "ems-32", class: "ems-card", file: "EMS.SYS", load: [10, 25], stay: [2, 12], high: "no", args: "{ems}" }),
  config({ id: "ems-40", class: "ems-card", file: "EMS4.SYS", load: [15, 25], stay: [8, 20], high: "no", args: "{ems}" }),
  dosConfig({ id: "setver", class: "version-table", file: "SETVER.EXE", dos: 5, load: [12, 12], stay: [0.4, 0.8] }),
  dosConfig({ id: "double-buffer", class: "double-buffer", file: "SMARTDRV.EXE", cpu: "286", dos: 6, load: [5, 5], stay: [2, 5], after: ["xms"], high: "no", args: "/DOUBLE_BUFFER" }),
  dosConfig({ id: "compression", class: "compression", file: "compression driver", dos: 6, load: [60, 66], stay: [33, 60], high: "try" }),
  dosConfig({ id: "power", class: "power-saving", file: "POWER.EXE", cpu: "286", dos: 5, load: [8, 8], stay: [4, 5] }),
  config({ id: "scsi-manager-isa", class: "scsi-manager", file: "SCSIMGR.SYS", cpu: "286", dos: 3.3, load: [20, 35], stay: [5, 14], high: "try" }),
  config({ id: "scsi-manager-pci", class: "scsi-manager", file: "SCSIPCI.SYS", cpu: "386sx", dos: 5, load: [30, 50], stay: [8, 14], high: "try" }),
  config({ id: "pnp-manager", class: "pnp-manager", file: "PNPCFG.EXE", cpu: "286", dos: 5, load: [30, 60], stay: [0, 25], high: "no" }),
  config({ id: "scsi-disk", class: "scsi-disk", file: "SCSIDISK.SYS", cpu: "286", dos: 3.3, load: [15, 40], stay: [7, 16], after: ["scsi-manager"] }),
  config({ id: "xt-disk", class: "disk", file: "HDRIVER.SYS", load: [6, 12], stay: [2, 6], high: "no" }),
  dosConfig({ id: "driver-sys", class: "disk", file: "DRIVER.SYS", dos: 3.2, load: [5, 5], stay: [0.3, 0.5] }),
  config({ id: "floppy-288", class: "disk", file: "FD288.SYS", dos: 3.3, load: [6, 10], stay: [2, 5] }),
  config({ id: "parallel-disk", class: "disk", file: "PARDISK.SYS", cpu: "286", dos: 3.3, load: [25, 90], stay: [9, 35] }),
  config({ id: "parallel-disk-xt", class: "disk", file: "PARDXT.SYS", dos: 3.3, load: [20, 40], stay: [9, 20], high: "no" }),
  config({ id: "removable-disk", class: "disk", file: "REMDISK.SYS", cpu: "286", dos: 3.3, load: [20, 45], stay: [9, 18] }),
  config({ id: "flash-card", class: "flash", file: "FLASH.SYS", cpu: "386sx", dos: 5, load: [20, 40], stay: [10, 30] }),
  config({ id: "pc-card-socket", class: "pc-card", file: "SOCKET.EXE", cpu: "386sx", dos: 5, load: [15, 30], stay: [6, 20] }),
  config({ id: "pc-card-services", class: "pc-card", file: "CARDSRV.EXE", cpu: "386sx", dos: 5, load: [30, 60], stay: [30, 60], after: ["pc-card"] }),
  config({ id: "cd-ata", class: "cd-driver", file: "CDDRV.SYS", cpu: "286", dos: 3.1, load: [15, 30], stay: [5, 14], args: "/D:{cd}" }),
  config({ id: "cd-panel", class: "cd-driver", file: "CDPANEL.SYS", cpu: "8088", dos: 3.1, load: [15, 30], stay: [8, 14], args: "/D:{cd} /P:{cdport}" }),
  config({ id: "cd-panel-dma", class: "cd-driver", file: "CDDMA.SYS", cpu: "8088", dos: 3.1, load: [15, 30], stay: [8, 14], high: "try", args: "/D:{cd}" }),
  config({ id: "cd-scsi", class: "cd-driver", file: "CDSCSI.SYS", cpu: "286", dos: 3.3, load: [15, 40], stay: [7, 16], after: ["scsi-manager"], args: "/D:{cd}" }),
  dosConfig({ id: "ramdrive", class: "ram-disk", file: "RAMDRIVE.SYS", dos: 3.2, cpu: "286", load: [6, 6], stay: [1.2, 1.3], after: ["xms"], needs: ["xms"], args: "1024 /E" }),
  dosConfig({ id: "vdisk", class: "ram-disk", file: "VDISK.SYS", dos: 3, until: 4.99, load: [4, 6], stay: [0.8, 1.3], high: "no", args: "64" }),
  dosConfig({ id: "display", class: "display", file: "DISPLAY.SYS", dos: 3.3, load: [16, 25], stay: [5, 16], args: "CON=(EGA,,1)" }),
  config({ id: "video-utility", class: "display", file: "VMODE.SYS", dos: 3.3, load: [8, 20], stay: [3, 12] }),
  dosConfig({ id: "printer", class: "display", file: "PRINTER.SYS", dos: 3.3, load: [12, 16], stay: [8, 12] }),
  dosConfig({ id: "ansi", class: "ansi", file: "ANSI.SYS", dos: 2, load: [9, 9], stay: [1.6, 4.2] }),
  config({ id: "net-manager", class: "net-manager", file: "PROTMAN.SYS", cpu: "286", dos: 3.1, load: [20, 25], stay: [1, 3], args: "/I:C:\\NET" }),
  config({ id: "net-card-ndis", class: "net-card", file: "NDISCARD.SYS", cpu: "286", dos: 3.1, load: [20, 40], stay: [6, 20], after: ["net-manager"] }),
  config({ id: "net-protocol-ndis", class: "net-protocol", file: "TCPDRV.SYS", cpu: "286", dos: 3.3, load: [20, 60], stay: [10, 40], after: ["net-card"] }),
  config({ id: "helper", class: "helper", file: "IFSHELP.SYS", cpu: "286", dos: 5, load: [4, 5], stay: [3, 4] }),
  batch({ id: "set-clock", class: "set-clock", file: "SETCLOCK.COM", load: [2, 5], stay: [0, 0], high: "no" }),
  batch({ id: "mixer", class: "mixer", file: "MIXSET.EXE", dos: 3.1, load: [30, 30], stay: [0, 0], high: "no" }),
  batch({ id: "codec-setup", class: "codec", file: "CODECSET.EXE", cpu: "286", dos: 3.3, load: [20, 60], stay: [0, 3], high: "no" }),
  batch({ id: "sound-emulation", class: "sound-emulation", file: "SNDEMU.COM", cpu: "386sx", dos: 5, load: [50, 100], stay: [5, 35], v86: "needs", high: "try" }),
  batch({ id: "midi-emulation", class: "midi-emulation", file: "MIDIEMU.EXE", cpu: "286", dos: 3.3, load: [10, 40], stay: [3, 30], high: "try" }),
  batch({ id: "packet-8", class: "packet", file: "PKTDRV.COM", load: [3, 15], stay: [2, 8], args: "0x60 {netirq} {netport}" }),
  batch({ id: "packet-16", class: "packet", file: "PKTDRV16.COM", cpu: "286", dos: 3, load: [3, 15], stay: [2, 8], args: "0x60 {netirq} {netport}" }),
  batch({ id: "packet-pci", class: "packet", file: "PKTPCI.COM", cpu: "386sx", dos: 3.3, load: [6, 20], stay: [4, 12], args: "0x60" }),
  batch({ id: "odi-link", class: "net-link", file: "LINK.COM", load: [10, 16], stay: [4, 6] }),
  batch({ id: "odi-card", class: "net-card", file: "ODICARD.COM", load: [10, 20], stay: [4, 18], after: ["net-link"] }),
  batch({ id: "odi-protocol", class: "net-protocol", file: "PROTO.COM", load: [20, 40], stay: [15, 20], after: ["net-card"] }),
  batch({ id: "odi-requester", class: "requester", file: "REQUEST.EXE", dos: 3.1, load: [60, 80], stay: [30, 50], after: ["net-protocol"] }),
  batch({ id: "odi-requester-xms", class: "requester", file: "REQUESTX.EXE", cpu: "286", dos: 3.1, load: [60, 80], stay: [5, 20], after: ["net-protocol"], needs: ["xms"] }),
  batch({ id: "net-bind", class: "net-bind", file: "NETBIND.COM", cpu: "286", dos: 3.1, load: [6, 10], stay: [0, 0], after: ["net-protocol"], high: "no" }),
  batch({ id: "redirector-full", class: "requester", file: "NETREDIR.EXE", cpu: "286", dos: 3.1, load: [80, 130], stay: [30, 120], after: ["net-bind", "helper"] }),
  dosBatch({ id: "share", class: "share", file: "SHARE.EXE", dos: 3, load: [11, 11], stay: [5, 7] }),
  batch({ id: "mouse-old", class: "mouse", file: "MOUSE.COM", dos: 2, load: [30, 40], stay: [9, 14], until: 4.99 }),
  batch({ id: "mouse-late", class: "mouse", file: "MOUSE.COM", cpu: "286", dos: 5, load: [45, 60], stay: [14, 18], high: "self" }),
  batch({ id: "mouse-small", class: "mouse", file: "SMOUSE.COM", dos: 2, load: [6, 15], stay: [2.5, 7] }),
  batch({ id: "redirector", class: "cd-redirector", file: "CDREDIR.EXE", dos: 3.1, load: [30, 50], stay: [16, 30], after: ["cd-driver", "requester"], args: "/D:{cd}" }),
  batch({ id: "redirector-small", class: "cd-redirector", file: "CDREDIRS.COM", dos: 3.3, load: [12, 20], stay: [5, 9], after: ["cd-driver", "requester"], args: "/D:{cd}" }),
  dosBatch({ id: "smartdrv", class: "cache", file: "SMARTDRV.EXE", cpu: "286", dos: 6, load: [40, 50], stay: [26, 30], after: ["cd-redirector"], high: "self", needs: ["xms"], args: "1024" }),
  dosConfig({ id: "smartdrv-5", class: "cache", file: "SMARTDRV.SYS", cpu: "286", dos: 4, until: 5.99, load: [18, 25], stay: [14, 23], after: ["xms"], needs: ["xms"], args: "1024" }),
  dosBatch({ id: "keyb", class: "keyboard", file: "KEYB.COM", dos: 3.3, load: [15, 25], stay: [5, 7], args: "{layout}" }),
  dosBatch({ id: "keyb-old", class: "keyboard", file: "KEYBGR.COM", dos: 2, until: 3.29, load: [2, 4], stay: [1.5, 3] }),
  dosBatch({ id: "doskey", class: "history", file: "DOSKEY.COM", dos: 5, load: [6, 6], stay: [3.6, 4.2] }),
  dosBatch({ id: "append", class: "resident", file: "APPEND.EXE", dos: 3.3, load: [6, 11], stay: [5, 9] }),
  dosBatch({ id: "print", class: "resident", file: "PRINT.COM", dos: 2, load: [10, 15], stay: [5, 6] }),
  dosBatch({ id: "fastopen", class: "resident", file: "FASTOPEN.EXE", dos: 3.3, load: [8, 12], stay: [5, 9] }),
  dosBatch({ id: "graphics", class: "resident", file: "GRAPHICS.COM", dos: 2, load: [10, 20], stay: [5, 6] }),
  dosBatch({ id: "nlsfunc", class: "resident", file: "NLSFUNC.EXE", dos: 3.3, load: [7, 8], stay: [2.7, 3] }),
  dosBatch({ id: "graftabl", class: "resident", file: "GRAFTABL.COM", dos: 3, load: [6, 11], stay: [1.2, 1.3] })
];
var byId2 = new Map(drivers.map((d) => [d.id, d]));

// src/lib/core/boot/map.ts
var FRAME_STEP = 16384;
var frameStarts = Array.from({ length: 9 }, (_, i) => 786432 + i * FRAME_STEP);

// src/lib/core/placement/place.ts
var PLACE_LIMITS = { lines: 24, regions: 12, nodes: 1e6 };

// src/lib/core/placement/starts.ts
var STARTS_LIMITS = { optional: 8, managers: 8, programs: 24 };

// src/lib/core/boot/managers.ts
var K = 1024;
var MANAGER_HIGH = 5 * K;
var MANAGER_LOW = [3 * K, 4 * K];
var MANAGER_LOW_5 = [8 * K, 10 * K];

// src/lib/core/diagnosis/bench-tests.ts
var of = (...components) => (m) => components.includes(m.component);
var isCard = (m) => m.way === "card";
var benchTests = [
  // What the checks know to be wrong comes before any other test.
  { id: "set-right", minutes: 3, money: 0, risk: 0, removes: { cures: (m) => m.prior >= 1, sure: 0.97 } },
  { id: "listen", minutes: 1, money: 0, risk: 0, removes: { cures: () => false, sure: 0 } },
  { id: "ohms", minutes: 3, money: 0, risk: 2e-3, reads: { finds: of("short"), sure: 0.97 } },
  {
    id: "volts",
    minutes: 2,
    money: 0,
    risk: 2e-3,
    isPowered: true,
    reads: { finds: of("supply"), sure: 0.95 }
  },
  {
    id: "settings",
    minutes: 3,
    money: 0,
    risk: 0,
    reads: { finds: (m) => m.cure === "setting", sure: 0.95 }
  },
  { id: "cell", minutes: 1, money: 0, risk: 0, reads: { finds: of("cell"), sure: 0.97 } },
  { id: "leak", minutes: 2, money: 0, risk: 0, reads: { finds: of("leak"), sure: 0.9 } },
  {
    id: "reseat-memory",
    minutes: 6,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.way === "memory-contact" || m.way === "memory-loose", sure: 0.85 }
  },
  {
    id: "reseat-cards",
    minutes: 4,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.way === "display-contact", sure: 0.85 }
  },
  {
    id: "reseat-cpu",
    minutes: 8,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.way === "cpu-contact", sure: 0.8 }
  },
  {
    id: "strip",
    minutes: 10,
    money: 0,
    risk: 0.01,
    restores: isCard,
    removes: { cures: isCard, sure: 0.97 }
  },
  { id: "other-monitor", minutes: 3, money: 0, risk: 0, removes: { cures: of("monitor"), sure: 0.98 } },
  { id: "other-display", minutes: 5, money: 0, risk: 0.02, removes: { cures: of("display"), sure: 0.95 } },
  { id: "other-memory", minutes: 12, money: 0, risk: 0.02, removes: { cures: of("memory"), sure: 0.95 } },
  { id: "other-supply", minutes: 15, money: 0, risk: 0.02, removes: { cures: of("supply"), sure: 0.95 } },
  { id: "other-keyboard", minutes: 2, money: 0, risk: 0, removes: { cures: of("keyboard"), sure: 0.98 } },
  {
    id: "cables",
    minutes: 4,
    money: 0,
    risk: 5e-3,
    removes: { cures: (m) => m.way === "floppy-cable" || m.way === "disk-cable", sure: 0.85 }
  },
  {
    id: "other-floppy",
    minutes: 8,
    money: 0,
    risk: 0.01,
    removes: { cures: (m) => m.way === "floppy-drive", sure: 0.95 }
  },
  {
    id: "warm-restart",
    minutes: 2,
    money: 0,
    risk: 0,
    removes: { cures: (m) => m.way === "disk-slow", sure: 0.9 }
  },
  {
    id: "display-elsewhere",
    minutes: 10,
    money: 0,
    risk: 0.1,
    isElsewhere: true,
    reads: { finds: (m) => m.way === "display-card", sure: 0.9 }
  },
  {
    id: "memory-elsewhere",
    minutes: 10,
    money: 0,
    risk: 0.1,
    isElsewhere: true,
    reads: { finds: (m) => m.way === "memory-chip" || m.way === "memory-high", sure: 0.9 }
  },
  { id: "put-back", minutes: 6, money: 0, risk: 0.01, restores: () => true },
  {
    id: "boot-floppy",
    minutes: 4,
    money: 0,
    risk: 0,
    removes: { cures: (m) => m.component === "medium" || m.way === "disk-errors", sure: 0.9 }
  }
];
var testById = new Map(benchTests.map((t) => [t.id, t]));
var WITHOUT = "without ";
var cardOutIn = (id2) => id2.startsWith(WITHOUT) ? id2.slice(WITHOUT.length) : null;

// src/lib/core/revision/units.ts
var lists = {
  mustBeOn: (build) => build.brief.mustBeOn,
  mayBeOff: (build) => build.brief.mayBeOff,
  resident: (build) => build.resident
};
var listNames = Object.keys(lists);

// src/lib/formats/build-file.ts
var MAX_FILE = 8 * 1024 * 1024;

// src/lib/formats/catalogue-file.ts
import { parse } from "yaml";
var isMap = (x) => typeof x === "object" && x !== null && !Array.isArray(x) && !(x instanceof Map);
var inOrder2 = /* @__PURE__ */ new Set(["columns", "ends", "open", "positions", "values"]);
function plain2(node, inFields = false) {
  if (Array.isArray(node)) return node.map((n2) => plain2(n2, inFields));
  if (!(node instanceof Map)) return node;
  return Object.fromEntries(
    [...node].map(([key, value]) => {
      const name2 = String(key);
      if (inFields && inOrder2.has(name2) && value instanceof Map)
        return [name2, new Map([...value].map(([k, v]) => [String(k), v]))];
      return [name2, plain2(value, name2 === "fields" || name2 === "moreFields")];
    })
  );
}
function readCatalogueFiles(files) {
  const problems = [];
  const entries = /* @__PURE__ */ new Map();
  const functions2 = /* @__PURE__ */ new Map();
  for (const { name: name2, text } of files) {
    let data;
    try {
      data = plain2(parse(text, { maxAliasCount: 2e3, merge: true, mapAsMap: true }));
    } catch (error) {
      problems.push({ path: name2, message: error instanceof Error ? error.message : "is not YAML" });
      continue;
    }
    if (isMap(data) && isMap(data.functions) && !("id" in data)) {
      for (const [id2, fn] of Object.entries(data.functions)) functions2.set(id2, fn);
      continue;
    }
    const { common: common3, parts: parts2 } = isMap(data) && Array.isArray(data.parts) ? data : { common: {}, parts: [data].flat() };
    for (const part of parts2) {
      const id2 = isMap(part) ? String(part.id) : "?";
      if (entries.has(id2)) problems.push({ path: `${name2}: ${id2}`, message: "this id is there twice" });
      entries.set(id2, { raw: { ...common3, ...part }, file: name2 });
    }
  }
  const made2 = [];
  for (const [id2, { raw, file: file2 }] of entries)
    try {
      const whole2 = inherit(raw, entries, []);
      const parsed = Part.safeParse(expand(whole2, functions2));
      const found = problemsOf(parsed.success ? checkPart(parsed.data) : schemaFlaws(parsed.error));
      problems.push(...found.map((p) => ({ ...p, path: `${file2}: ${id2}: ${p.path}` })));
      if (parsed.success) made2.push(parsed.data);
    } catch (error) {
      problems.push({ path: `${file2}: ${id2}`, message: error.message });
    }
  if (problems.length) throw new InvalidDocument(problems, "The catalogue");
  return made2;
}
var growing = ["moreFields", "moreFunctions"];
var idOf = (entry2) => entry2.id;
function inherit(raw, entries, seen3) {
  if (raw.like === void 0) return raw;
  const from = String(raw.like);
  const base = entries.get(from)?.raw;
  if (!base) throw new Error(`is like "${from}", which is not in the catalogue`);
  if (seen3.includes(from)) throw new Error("is like itself");
  const { like: _, ...own } = raw;
  const { quirks: _quirks, look, ...rest } = inherit(base, entries, [...seen3, from]);
  const out2 = rest;
  if (isMap(look)) {
    const { etched: _etched, ...alike2 } = look;
    out2.look = alike2;
  }
  for (const key of growing) {
    const more = own[key] ?? [];
    const before = (out2[key] ?? []).filter((e) => !more.some((m) => idOf(m) === idOf(e)));
    delete own[key];
    if (before.length + more.length) out2[key] = [...before, ...more];
  }
  for (const [key, value] of Object.entries(own))
    out2[key] = isMap(value) && isMap(out2[key]) ? { ...out2[key], ...value } : value;
  return out2;
}
function expand(raw, functions2) {
  const { fields: first = [], moreFields = [], moreFunctions = [], ...part } = raw;
  const fields2 = [...first, ...moreFields];
  const blocks = [...part.blocks ?? []];
  const settings2 = [...part.settings ?? []];
  const means = [...part.means ?? []];
  for (const { means: told, ...field } of fields2) {
    const { block, setting } = fieldOf(field);
    if (told !== void 0) means.push(meaningOf(told, setting));
    if (block && !blocks.some((b) => b.id === block.id)) blocks.push(block);
    settings2.push(setting);
  }
  const positions = new Map(
    settings2.map((s2) => [String(s2.id), (s2.positions ?? []).map((p) => p.id)])
  );
  const fns = [...part.functions ?? [], ...moreFunctions].map(
    (fn) => functionOf(fn, functions2, positions)
  );
  return { ...part, blocks, settings: settings2, functions: fns, ...means.length ? { means } : {} };
}
function meaningOf(told, setting) {
  const [fact, values] = isMap(told) ? Object.entries(told)[0] : [String(told), void 0];
  const ids = setting.positions.map((p) => p.id);
  const own = ids.map((id2) => [id2, /^\d+(\.\d+)?$/.test(id2) ? Number(id2) : id2]);
  return { fact, setting: setting.id, values: values ?? Object.fromEntries(own) };
}
function fieldOf(field) {
  const { id: id2, label, block, at: at2, columns, ends, open, dip, positions, program: program2, values, firmware, ...rest } = field;
  if (!("default" in rest)) throw new Error(`field "${String(id2)}" has no default`);
  const name2 = String(block ?? id2);
  const blockId = name2.toLowerCase().replace(/[^a-z0-9]+/g, "-");
  const place2 = at2 ? { x: at2[0], y: at2[1] } : void 0;
  const base = { id: blockId, label: name2, ...place2 ? { at: place2 } : {} };
  const setting = (list2) => ({
    id: id2,
    label,
    block: blockId,
    positions: list2,
    ...rest
  });
  if (columns) {
    const list2 = [...columns];
    const made2 = list2.map(([p, text], i) => ({
      id: p,
      label: String(text),
      state: { caps: [[2 * i + 1, 2 * i + 2]] }
    }));
    const none = [...open ?? []].map(([p, text]) => ({
      id: p,
      label: String(text),
      state: { caps: [] }
    }));
    const columnLabels = list2.map(([p]) => p === "off" ? "\u2014" : p.toUpperCase().slice(0, 12));
    return {
      block: { ...base, kind: "header", rows: 2, columns: list2.length, columnLabels },
      setting: setting([...made2, ...none])
    };
  }
  if (ends) {
    const made2 = [...ends].map(([p, text], i) => ({
      id: p,
      label: `${i + 1}-${i + 2} ${String(text)}`,
      state: { caps: [[i + 1, i + 2]] }
    }));
    return { block: { ...base, kind: "header", rows: 1, columns: 3 }, setting: setting(made2) };
  }
  if (positions && !program2) {
    const made2 = [...positions].map(([p, told]) => {
      const [text, levers] = told;
      const switches = Object.fromEntries(levers.split(" ").map((l) => l.split(":")));
      return { id: p, label: text, state: { switches } };
    });
    const size2 = dip ?? {};
    return { block: { ...base, kind: "dip", switches: 8, ...size2 }, setting: setting(made2) };
  }
  if (program2) {
    const made2 = [...values].map(([p, text]) => ({
      id: p,
      label: String(text),
      state: { value: String(text) }
    }));
    return { block: { ...base, kind: "software", program: program2 }, setting: setting(made2) };
  }
  if (firmware) {
    const made2 = [...values].map(([p, text]) => ({ id: p, label: String(text) }));
    return { block: { ...base, kind: "firmware" }, setting: setting(made2) };
  }
  throw new Error(`field "${String(id2)}" needs columns, ends, positions or program`);
}
function functionOf(fn, functions2, positions) {
  let whole2 = fn;
  if (fn.like !== void 0) {
    const base = functions2.get(String(fn.like));
    if (!base) throw new Error(`there is no common function "${String(fn.like)}"`);
    const { like: _, ...own } = fn;
    whole2 = { id: fn.like, ...base, ...own };
  }
  const { by, ...rest } = whole2;
  const taken = /* @__PURE__ */ new Map();
  const claims = (rest.claims ?? []).map((claim) => {
    const made2 = claimOf2(claim, by, positions);
    if (!("id" in made2)) {
      const resource = String(made2.resource);
      const n2 = (taken.get(resource) ?? 0) + 1;
      taken.set(resource, n2);
      made2.id = n2 === 1 ? resource : `${resource}-${n2}`;
    }
    return made2;
  });
  const off = (rest.off ?? []).map((o) => typeof o === "string" ? { [o]: ["off"] } : o);
  return { ...rest, off, claims };
}
var resources2 = ["irq", "dma", "io", "memory"];
function claimOf2(claim, by, positions) {
  const resource = resources2.find((r) => r in claim);
  if (!resource || "resource" in claim) return { ...claim };
  const { [resource]: told, values, ...rest } = claim;
  if (typeof told === "number") return { resource, value: told, ...rest };
  const setting = told === "by" ? by : String(told).replace(/^by /, "");
  const known3 = positions.get(setting ?? "");
  if (!setting || !known3) throw new Error(`a claim is read from "${String(told)}", which is not a setting`);
  const base = resource === "io" || resource === "memory" ? 16 : 10;
  const numbers2 = known3.map((p) => {
    if (isMap(values)) return [p, values[p] ?? null];
    const isNumber = base === 16 ? /^[0-9a-f]{3,5}$/.test(p) : /^\d{1,2}$/.test(p);
    return [p, isNumber ? parseInt(p, base) : null];
  });
  return { resource, from: { setting, values: Object.fromEntries(numbers2) }, ...rest };
}

// src/lib/formats/part-fields.ts
import { z as z19 } from "zod";
var IN_ORDER = [...CPU_FAMILIES, ...FPU_KINDS];
var FACTS = {
  board: ["board", "power"],
  cpu: ["cpu", "power"],
  fpu: ["fpu", "power"],
  memory: ["module", "power"],
  card: ["card", "video", "audio", "driver", "power"],
  drive: ["drive", "power"],
  monitor: ["monitor"],
  supply: ["supply"],
  keyboard: ["keyboard", "power"],
  case: ["chassis"],
  adapter: ["adapter"],
  bios: ["firmware"],
  oscillator: ["oscillator"]
};
var PART_KINDS = Object.keys(FACTS);

// src/lib/formats/part-file.ts
import { parse as parse2 } from "yaml";

// src/lib/formats/parts-file.ts
import Papa from "papaparse";
import { parse as parse3, stringify } from "yaml";

// src/lib/formats/placement-file.ts
import { z as z20 } from "zod";
var name = z20.string().trim().min(1).max(60);
var bytes3 = z20.number().int().min(0).max(1048576);
var kib3 = z20.number().min(0).max(4194304);
var regions = z20.array(bytes3).max(PLACE_LIMITS.regions);
var Line = z20.strictObject({
  name,
  /** 0 or `config`: CONFIG.SYS; 1 or `autoexec`: AUTOEXEC.BAT. */
  stage: z20.union([z20.literal(0), z20.literal(1), z20.literal("config"), z20.literal("autoexec")]).default(1).transform((s2) => s2 === 0 || s2 === "config" ? 0 : 1),
  load: bytes3,
  stay: bytes3,
  after: z20.array(name).max(PLACE_LIMITS.lines).default([]),
  high: z20.boolean().default(true),
  movesItself: z20.boolean().default(false)
});
var lines2 = z20.array(Line).max(PLACE_LIMITS.lines).refine((list2) => new Set(list2.map((l) => l.name)).size === list2.length, "two lines have the same name");
var PlaceFile = z20.strictObject({
  regions,
  lines: lines2,
  nodes: z20.number().int().min(1).max(PLACE_LIMITS.nodes).optional()
});
var StartsFile = z20.strictObject({
  managers: z20.array(
    z20.strictObject({
      id: name,
      freeBytes: bytes3,
      regions: regions.default([]),
      xmsKiB: kib3.default(0),
      emsKiB: kib3.default(0),
      onePool: z20.boolean().default(false),
      v86: z20.boolean().default(false),
      lines: z20.number().int().min(0).max(9).default(0)
    })
  ).min(1).max(STARTS_LIMITS.managers),
  optional: z20.array(
    z20.strictObject({ id: name, lines: lines2, takesKiB: kib3.default(0), wantsXms: z20.boolean().default(false) })
  ).max(STARTS_LIMITS.optional).default([]),
  always: lines2.default([]),
  programs: z20.array(
    z20.strictObject({
      id: name,
      baseKiB: kib3.default(0),
      emsKiB: kib3.default(0),
      xmsKiB: kib3.default(0),
      mostXmsKiB: kib3.nullable().default(null),
      needs: z20.array(name).max(STARTS_LIMITS.optional).default([]),
      v86: z20.enum(["any", "off", "needed"]).default("any")
    })
  ).min(1).max(STARTS_LIMITS.programs)
});

// src/lib/formats/profile-file.ts
import { z as z21 } from "zod";
import { parse as parse4 } from "yaml";
var File = z21.strictObject({ profiles: z21.array(Profile).max(500) });
function readProfiles(text, name2) {
  const parsed = File.safeParse(parse4(text, { maxAliasCount: 200 }));
  const problems = parsed.success ? repeated(parsed.data.profiles.map((p) => p.id)).map((id2) => ({ path: id2, message: "is there twice" })) : schemaFlaws(parsed.error);
  if (!parsed.success || problems.length)
    throw new InvalidDocument(
      problems.map((p) => ({ ...p, path: `${name2}: ${p.path}` })),
      "The list of software"
    );
  return parsed.data.profiles;
}

// src/lib/formats/schema.ts
import { z as z22 } from "zod";

// src/lib/core/rescue/imaging.ts
var FLOPPIES = { f360: 354 * 1024, f1440: 1457664 };

// src/lib/core/diagnosis/families.ts
var sounds = {
  P: {
    rails: { none: 0.8, rails: 0.2 },
    timer: { none: 0.5, timer: 0.5 },
    memory: { none: 0.8, rails: 0.2 },
    controllers: { timer: 0.7, none: 0.3 },
    display: { display: 0.95, none: 0.05 }
  },
  A: {
    rom: { rom: 0.9, none: 0.1 },
    timer: { timer: 0.9, none: 0.1 },
    memory: { memory: 0.97, none: 0.03 },
    controllers: { controllers: 0.9, none: 0.1 },
    display: { display: 0.97, none: 0.03 },
    count: { count: 0.4, none: 0.6 }
  },
  B: {
    memory: { memory: 0.9, none: 0.1 },
    display: { display: 0.95, none: 0.05 }
  },
  C: {
    rom: { rom: 0.9, none: 0.1 },
    timer: { timer: 0.9, none: 0.1 },
    memory: { memory: 0.95, none: 0.05 },
    controllers: { controllers: 0.9, none: 0.1 },
    display: { display: 0.95, none: 0.05 }
  }
};
var toldApart = (family3) => [
  "none",
  "normal",
  "unknown",
  ...new Set(
    Object.values(sounds[family3]).flatMap((s2) => Object.keys(s2)).filter((s2) => s2 !== "none")
  ),
  // Two short beeps of the originals: there is something to read.
  ...family3 === "P" ? ["summary"] : []
];
var TOLD_APART = {
  P: toldApart("P"),
  A: toldApart("A"),
  B: toldApart("B"),
  C: toldApart("C")
};
function spelledOut(plain3) {
  const words2 = plain3.split(/[\s,;+]+|\band\b/).filter((w) => w && w !== "a" && !/^beeps?$/.test(w));
  if (plain3 === "long" || plain3 === "short") return null;
  let long = 0;
  let short2 = 0;
  let n2 = 1;
  for (const word of words2) {
    if (/^\d{1,2}$/.test(word)) {
      n2 = Number(word);
      continue;
    }
    if (word !== "long" && word !== "short") return null;
    if (word === "long" && short2) return null;
    if (word === "long") long += n2;
    else short2 += n2;
    n2 = 1;
  }
  if (!words2.length || /^\d/.test(words2.at(-1) ?? "")) return null;
  return long ? { kind: "long-short", long, short: short2 } : short2 ? { kind: "count", n: short2 } : null;
}
function readBeeps(text) {
  const plain3 = withDigits(text).toLowerCase().replace(/[–—]/g, "-").replace(/^(?:it )?(?:beeps?|beep code)\s*:?\s*(?=\d|long|short)/, "").replace(/\s*(?:times|x)$/, "").trim();
  if (/^(none|no( beeps?)?|silent|silence|nothing|0)$/.test(plain3)) return { kind: "none" };
  if (/\b(?:continuous(?:ly)?|repeat\w*|endless|non-?stop|constant|again and again|keeps? beeping)\b/.test(
    plain3
  ))
    return { kind: "repeated", long: !/\bshort\b/.test(plain3) };
  const groups = /^(\d)(?:\s*-\s*(\d)){1,3}$/.exec(plain3);
  if (groups) return { kind: "groups", groups: plain3.split("-").map((g) => Number(g.trim())) };
  const longShort = /^(\d+)\s*(?:long|l)\s*[,+]?\s*(?:and\s*)?(?:(\d+)\s*(?:short|s))?(?:\s*beeps?)?$/.exec(
    plain3
  );
  if (longShort) return { kind: "long-short", long: Number(longShort[1]), short: Number(longShort[2] ?? 0) };
  const count2 = /^(\d{1,2})\s*(?:short\s*)?(?:beeps?)?$/.exec(plain3);
  return count2 ? { kind: "count", n: Number(count2[1]) } : spelledOut(plain3);
}

// src/lib/core/diagnosis/trace.ts
var FIRST_ORDER = STAGES.flatMap(
  (s2) => s2 === "floppy" ? ["roms", "disk", "floppy"] : s2 === "roms" || s2 === "disk" ? [] : [s2]
);

// src/lib/core/diagnosis/course.ts
var FIXED_ORDER = [
  "reseat-cards",
  "reseat-memory",
  "reseat-cpu",
  "cables",
  "other-monitor",
  "other-display",
  "other-memory",
  "other-supply",
  "other-keyboard",
  "other-floppy",
  "strip",
  "warm-restart",
  "boot-floppy"
].map((id2) => entryOf(testById, id2));

// src/lib/core/diagnosis/frame.ts
var STAGE_COUNT = STAGES.length;

// src/lib/core/diagnosis/shown.ts
var dead = { at: "display", stops: 0.95 };
var noBoot = { at: "boot", stops: 0.6, says: "no-boot" };
var noDisk = { at: "disk", stops: 0.1, says: "disk", then: noBoot };
var noFloppy = { at: "floppy", stops: 0.05, says: "floppy" };
function lost(kinds3) {
  if (kinds3.includes("display")) return dead;
  if (kinds3.includes("hard-disk") || kinds3.includes("scsi")) return noDisk;
  if (kinds3.includes("floppy")) return noFloppy;
  if (kinds3.includes("keyboard")) return { at: "keyboard", stops: 0.1, says: "keyboard" };
  return kinds3.length ? { at: "config", stops: 0.1 } : "use";
}
var kindsOn = (kit, item) => (item === void 0 ? [] : kit.m.find(item)?.part.functions ?? []).map((f) => f.kind);
var lostPart = (f, kit) => lost(kindsOn(kit, f.subjects[0]?.item));
function lostDrive(f, kit) {
  const media = f.subjects.map((s2) => kit.drives.find((d) => d.item.id === s2.item)?.part.drive?.medium);
  return media.includes("floppy") ? noFloppy : media.includes("hard") ? noDisk : "use";
}
var kindsOf = (f) => [f.facts.a.kind, f.facts.b.kind];
var onLine = (late2) => (f) => {
  const kinds3 = kindsOf(f);
  if (kinds3.includes("system")) return { at: "timer", stops: 0.3 };
  if (kinds3.includes("hard-disk")) return { ...noDisk, stops: 0.2 };
  return kinds3.includes("floppy") ? { ...noFloppy, stops: 0.1 } : late2;
};
var HAS_ROM = ["hard-disk", "scsi", "rom", "network", "floppy"];
function onAddress(f) {
  const from = f.line?.from ?? 0;
  if (kindsOf(f).includes("display") || from >= 655360 && from < 786432)
    return { at: "display", stops: 0.6 };
  if (from < 655360) return { at: "count", stops: 0.5, says: "memory" };
  return kindsOf(f).some((k) => HAS_ROM.includes(k)) ? { at: "roms", stops: 0.6, says: "rom" } : { at: "config", stops: 0.3 };
}
function inBank(kit, bank2, stops) {
  const first = kit.memory?.banks[0];
  return first && (first.label ?? first.id) === bank2 ? { at: "memory", stops } : kit.facts.class === "at" ? { at: "count", stops: 0.1, says: "memory-size" } : { at: "count", stops: 0.3, says: "memory" };
}
function wrongSwitch2(f, kit) {
  const { fact, more } = f.facts;
  switch (fact) {
    case "banks":
    case "memory-kib":
      return more ? { at: "count", stops: 0.8, says: "memory" } : { at: "count", stops: 0 };
    case "floppies":
      return more ? { at: "floppy", stops: 0, says: "floppy" } : "use";
    case "cache-kib":
      return more ? { at: "system", stops: 0.5 } : "use";
    case "wait-states":
      return f.severity === "caution" ? { at: "count", stops: 0.2, says: "memory" } : "use";
    case "vlb-mhz":
      return f.severity === "clash" ? { at: "boot", stops: 0.3 } : "use";
    case "battery":
      return { at: "setup", stops: 0, says: "settings" };
    case "keyboard":
      return { at: "keyboard", stops: 0.1, says: "keyboard" };
    case "bus-width":
      return lostPart(f, kit);
    default:
      return "use";
  }
}
var shows = {
  "line.irq": onLine({ at: "config", stops: 0.2 }),
  "line.dma": onLine({ at: "config", stops: 0.1 }),
  "line.io": (f) => {
    const from = f.line?.from ?? 0;
    return kindsOf(f).includes("display") && from >= 944 && from <= 991 ? { at: "display", stops: 0.7 } : onLine({ at: "config", stops: 0.3 })(f);
  },
  "line.memory": onAddress,
  "line.more": "use",
  "line.share-unused": "hint",
  "line.share-idle": "hint",
  "slot.reach": (f) => lost([f.facts.owner.kind]),
  "rom.window": (f) => f.facts.owner.kind === "display" ? dead : { at: "roms", stops: 0, isMissing: true },
  "rom.16bit": "hint",
  "pci.interrupt": { at: "config", stops: 0.1 },
  "audio.profile": "use",
  "port.numbering": "hint",
  "serial.buffer": "use",
  "acpi.irq9": "hint",
  "unknown.lines": "hint",
  "unknown.routing": "hint",
  "slot.kind": (f, kit) => f.facts.why.why === "card-select" || f.facts.why.why === "bus-master" ? lostPart(f, kit) : "fit",
  "slot.width": (f, kit) => f.facts.state === "cannot" ? lostPart(f, kit) : "hint",
  "slot.untried": "hint",
  "slot.taken": "fit",
  "slot.shared": "fit",
  "slot.none": "hint",
  "slot.length": "fit",
  "slot.skirt": "fit",
  "cpu.socket": (f) => f.facts.why === "family" ? { at: "fetch", stops: 0.6 } : "fit",
  "cpu.voltage": { at: "fetch", stops: 0.8 },
  "cpu.voltage-low": { at: "fetch", stops: 0.7 },
  "cpu.voltage-unknown": "hint",
  "cpu.carrier": "fit",
  // The floppy is read by DMA: the BIOS finds in memory what was there before.
  "cpu.writes": noBoot,
  "cpu.split": { at: "fetch", stops: 0.3 },
  "cpu.clock": { at: "fetch", stops: 0.5 },
  "cpu.bus": "hint",
  "cpu.slow": "use",
  "cpu.multiplier": "use",
  "fpu.kind": (f) => f.facts.why === "pair" ? { at: "fetch", stops: 0.2 } : f.facts.why === "slow" ? "use" : "fit",
  "fpu.switch": "use",
  "cpu.oscillator": "use",
  "vlb.load": { at: "display", stops: 0.3 },
  "vlb.speed": "hint",
  "isa.clock": { at: "display", stops: 0.3 },
  "pnp.nobios": "hint",
  "battery.leak": "hint",
  "clock.century": "hint",
  "keyboard.protocol": { at: "keyboard", stops: 0.1, says: "keyboard" },
  "keyboard.switch": "hint",
  "keyboard.plug": "fit",
  "unknown.board": "hint",
  "memory.bank": (f, kit) => inBank(kit, f.facts.bank, 0.8),
  "memory.mixed": (f, kit) => inBank(kit, f.facts.bank, 0.5),
  "memory.loose": "fit",
  "memory.first": { at: "memory", stops: 0.8 },
  "memory.filling": (_, kit) => kit.memory?.banks[0] && !kit.banks.get(kit.memory.banks[0].id)?.length ? { at: "memory", stops: 0.8 } : kit.facts.class === "at" ? { at: "count", stops: 0, says: "memory-size" } : { at: "count", stops: 0.3, says: "memory" },
  "memory.kind": (f, kit) => f.facts.why === "form" ? "fit" : inBank(kit, f.facts.bank, 0.8),
  "memory.edo": "hint",
  "memory.speed": "hint",
  "memory.parity": { at: "count", stops: 0.8, says: "memory" },
  "memory.card": (f) => f.facts.isGap ? { at: "count", stops: 0, says: "memory-size" } : { at: "count", stops: 0.4, says: "memory" },
  "memory.backfill": { at: "count", stops: 0, says: "memory-size" },
  "memory.sides": "hint",
  "memory.reach": "hint",
  "memory.shown": "hint",
  "dma.reach16m": "hint",
  "video.danger": { at: "display", stops: 0, dark: true },
  "video.signal": (f) => f.facts.why === "no-card" ? dead : { at: "display", stops: 0, dark: true },
  "video.modes": "use",
  "video.flat": "hint",
  "video.grey": "hint",
  // The first BIOSes go by the switch alone; later ones look for the card and complain. Set for a card with its own
  // BIOS they start no display at all, and say nothing of it.
  "video.switch": (f, kit) => f.facts.harmless ? "hint" : kit.facts.class === "xt" && f.facts.set === "own-bios" ? { at: "display", stops: 0, dark: true } : { at: "display", stops: kit.facts.class === "xt" ? 0.9 : 0.3, says: "display-type" },
  "video.two": { at: "display", stops: 0.7 },
  "video.second": "hint",
  "video.pass": "use",
  "disk.interface": lostDrive,
  "disk.coding": "use",
  "disk.controller-twice": "hint",
  "disk.power": lostDrive,
  "disk.rom": noBoot,
  "disk.boot": "hint",
  "rom.unscanned": (f, kit) => kindsOn(kit, f.subjects[0]?.item).includes("display") ? dead : noBoot,
  "bay.size": "fit",
  "bay.rails": "fit",
  "ata.select": { ...noDisk, stops: 0.3 },
  "st506.select": { ...noDisk, stops: 0.3 },
  "scsi.id": { at: "roms", stops: 0.3, says: "disk" },
  // The drivers of both ends work against each other.
  "scsi.signals": { at: "roms", stops: 0.3, says: "disk" },
  "scsi.width": "hint",
  "scsi.power": "hint",
  "scsi.termination": { at: "roms", stops: 0.2, says: "disk" },
  "power.minus5-dram": { at: "memory", stops: 1 },
  "power.rail": { at: "fetch", stops: 0.2, power: { runs: 0.7, twitch: 0.3 } },
  "power.start": "hint",
  // It was seen already: the meter says so, and no setting.
  "power.rails": "hint",
  "power.least": "hint",
  "power.minus5": "use",
  // Leads for drives: which drive goes without is the builder's choice.
  "power.plugs": (_, kit) => kit.drives.some((d) => d.part.drive?.medium === "hard") ? { ...noDisk, stops: 0.05 } : noFloppy,
  "power.form": "fit",
  "bay.supply": "fit",
  "bay.board": "fit",
  "disk.limit": { at: "system", stops: 0.6, says: "no-system" },
  "disk.type": "use",
  "disk.setup": { at: "system", stops: 0.6, says: "no-system" },
  "disk.firmware-base": noBoot,
  "floppy.rate": "use",
  "drive.tried": "hint",
  "floppy.bios": { at: "floppy", stops: 0, says: "floppy" },
  "floppy.dos": "use",
  "floppy.cable": noFloppy,
  "unknown.bios": "hint",
  "part.constraint": lostPart,
  "setting.unseen": "hint",
  "setting.unknown": "hint",
  "evidence.guess": "hint",
  "evidence.conflict": "hint",
  switch: wrongSwitch2,
  "kit.missing": "hint",
  "part.bad": (f, kit) => lostPart(f, kit),
  "part.borrowed": "hint",
  "bay.no-battery": "hint",
  "bay.out": "hint",
  "period.early": "hint",
  "period.late": "hint",
  "brief.off": "use",
  "brief.wish": "hint",
  "os.cpu": { at: "system", stops: 0.8 },
  "os.memory": { at: "system", stops: 0.5 },
  "os.partition": "hint",
  "os.disk": "use",
  "os.driver": { at: "config", stops: 0.2 },
  "software.cpu": "use",
  "software.slow": "use",
  "software.fast": "use",
  "software.fpu": "use",
  "software.base": "use",
  "software.extended": "use",
  "software.expanded": "use",
  "software.display": "use",
  "software.audio": "use",
  "software.disk": "use",
  "software.cdrom": "use",
  "software.floppy": "use",
  "software.ports": "use",
  "software.dos": "use",
  "software.windows": "use",
  "video.memory": "use"
};

// src/lib/core/diagnosis/screen-text.ts
import { distance } from "fastest-levenshtein";

// src/lib/core/diagnosis/screen-text.json
var screen_text_default = {
  phrases: {
    memory: [
      "parity check",
      "parity error",
      "on board parity error",
      "i o channel check",
      "memory error",
      "memory test fail",
      "memory address error",
      "memory failure at",
      "ram parity error",
      "201"
    ],
    "memory-size": ["memory size error", "memory size mismatch", "memory size changed", "164"],
    settings: [
      "cmos checksum error",
      "checksum bad",
      "cmos battery low",
      "battery state low",
      "battery has failed",
      "system options not set",
      "time and date not set",
      "time of day not set",
      "invalid configuration information",
      "161",
      "162",
      "163"
    ],
    "display-type": [
      "display type mismatch",
      "display type wrong",
      "display switch not proper",
      "display adapter setting"
    ],
    keyboard: [
      "keyboard error",
      "keyboard failure",
      "keyboard not found",
      "no keyboard present",
      "stuck key",
      "keyboard interface error",
      "301",
      "303",
      "304"
    ],
    locked: ["keyboard is locked", "system is locked", "unlock keyboard", "key lock", "302"],
    floppy: [
      "floppy disk fail",
      "floppy error",
      "diskette drive failure",
      "fdd controller failure",
      "fdd controller error",
      "a drive error",
      "b drive error",
      "a drive failure",
      "b drive failure",
      "drive a failure",
      "601",
      "602"
    ],
    disk: [
      "hard disk fail",
      "hard disk error",
      "fixed disk failure",
      "hdd controller failure",
      "hdd controller error",
      "hard disk install failure",
      "c drive error",
      "d drive error",
      "c drive failure",
      "d drive failure",
      "drive c failure",
      "drive d failure",
      "1701",
      "1780",
      "1781",
      "1782",
      "1790",
      "1791"
    ],
    rom: ["rom error", "rom checksum error", "rom bad", "option rom error"],
    "not-system": [
      "non system disk",
      "non system disk or disk error",
      "not a system disk",
      "invalid system disk",
      "replace and press any key"
    ],
    "no-system": [
      "missing operating system",
      "operating system not found",
      "error loading operating system",
      "invalid partition table"
    ],
    "no-boot": [
      "no boot device available",
      "no bootable device",
      "no rom basic",
      "insert boot disk",
      "disk boot failure insert system disk and press enter",
      "boot failure"
    ],
    interpreter: [
      "bad or missing command interpreter",
      "cannot load command system halted",
      "missing command com",
      "wrong dos version",
      "incorrect dos version"
    ]
  },
  weak: [
    "a",
    "and",
    "any",
    "at",
    "bad",
    "by",
    "check",
    "drive",
    "error",
    "err",
    "fail",
    "failed",
    "failure",
    "found",
    "in",
    "is",
    "key",
    "missing",
    "no",
    "not",
    "of",
    "on",
    "or",
    "press",
    "set",
    "size",
    "test",
    "the",
    "to",
    "wrong"
  ]
};

// src/lib/core/diagnosis/screen-text.ts
var PHRASES = screen_text_default.phrases;
var LEAST = 0.6;
var BESIDE = 0.06;
var wordsIn = (text) => text.toLowerCase().replace(/[^a-z0-9]+/g, " ").split(" ").filter(Boolean);
var isSame = (a, b) => a === b || !/\d/.test(a) && !/\d/.test(b) && distance(a, b) <= Math.floor(Math.max(a.length, b.length) / 4);
var WEAK = new Set(screen_text_default.weak);
var SHORT = {
  err: "error",
  kbd: "keyboard",
  kb: "keyboard",
  hdd: "hard disk",
  fdd: "floppy",
  mem: "memory",
  ram: "memory",
  batt: "battery"
};
var spelled = (words2) => words2.flatMap((w) => (SHORT[w] ?? w).split(" "));
function likeness(typed, phrase) {
  const strong = phrase.filter((w) => !WEAK.has(w));
  if (strong.length && !strong.some((w) => typed.some((t) => isSame(t, w)))) return 0;
  const shared = phrase.filter((w) => typed.some((t) => isSame(t, w))).length;
  return 2 * shared / (phrase.length + typed.length);
}
var READ = Object.entries(PHRASES).flatMap(
  ([id2, list2]) => list2.map((text) => ({ id: id2, words: spelled(wordsIn(text)) }))
);
function readScreen(text) {
  const typed = spelled(wordsIn(text.replace(/\bk\s*\/\s*b\b/gi, "keyboard")).slice(0, 30));
  if (!typed.length) return [];
  const scores = /* @__PURE__ */ new Map();
  for (const { id: id2, words: words2 } of READ) {
    const isCode = words2.length === 1 && /^\d/.test(there(words2[0]));
    const score = isCode ? typed.includes(there(words2[0])) ? 1 : 0 : likeness(typed, words2);
    scores.set(id2, Math.max(score, scores.get(id2) ?? 0));
  }
  const best = Math.max(...scores.values());
  if (best < LEAST) return [];
  return [...scores].filter(([, s2]) => s2 >= best - BESIDE).sort((a, b) => b[1] - a[1]).map(([id2]) => id2);
}

// src/lib/core/diagnosis/first-power.ts
var FIRST_POWER = {
  made: { "from-1995": 0, "1990-94": 1, "1985-89": 2, "1981-84": 3 },
  idle: { "under-1": 0, "1-5": 1, "6-15": 2, "over-15": 3 },
  stored: { dry: 0, sealed: 1, loft: 2, damp: 4 },
  tantalum: { none: 0, "on-5": 1, "on-12-25v": 2, "on-12-16v": 3 },
  cell: { none: 0, pack: 1, barrel: 2, leak: 4 },
  supply: { measured: 0, modern: 1, old: 2, "old-filter": 3 },
  hands: { untouched: 0, rebuilt: 1, unknown: 2 }
};
var POWER_QUESTIONS = Object.keys(FIRST_POWER);

// src/lib/formats/shelf-csv.ts
import Papa3 from "papaparse";

// src/lib/formats/tables.ts
import Papa2 from "papaparse";

// src/lib/formats/shelf-csv.ts
var MAX_CSV = 2 * 1024 * 1024;

// src/lib/formats/start-text.ts
var yesNo = (value) => /^(?:yes|true)$/i.test(value) ? true : /^(?:no|false)$/i.test(value) ? false : null;
function readFlag(key, value) {
  const flag = yesNo(value);
  return flag === null ? { wrong: `"${value}" is not understood; write yes or no` } : { told: { [key]: flag } };
}
function readMessages(value) {
  const list2 = value.split(/[,\s]+/).filter(Boolean);
  const unknown2 = list2.find((x) => !MESSAGES.includes(x) && x !== "none");
  return unknown2 === void 0 ? { told: { messages: list2.filter((x) => x !== "none") } } : { wrong: `"${unknown2}" is not a message; write none or some of ${MESSAGES.join(", ")}` };
}
function readText(value) {
  const found = readScreen(value);
  return found.length === 1 ? { told: { messages: found, note: value } } : {
    wrong: found.length ? `"${value}" may be ${found.join(" or ")}; write messages: and one of them` : `"${value}" is not a text that is known; write messages: and some of ${MESSAGES.join(", ")}, or note:`
  };
}
var tests2 = () => [...testById.keys()].join(", ");
function readAfter(value, items) {
  const card = cardOutIn(value);
  if (card !== null && !items.includes(card))
    return { wrong: `"${card}" is not a part of this build; write without and one of ${items.join(", ")}` };
  return value === "nothing" || card !== null || testById.has(value) ? { told: { after: value } } : { wrong: `"${value}" is not a test; write nothing or one of ${tests2()}` };
}
function readReading(value) {
  const [test = "", said = ""] = value.split(/\s+/);
  const found = yesNo(said);
  return !testById.get(test)?.reads ? {
    wrong: `"${test}" is not a reading; write one of ${[...testById.values()].flatMap((t) => t.reads ? [t.id] : []).join(", ")}`
  } : found === null ? { wrong: `say after ${test} whether the fault was there: yes or no` } : { told: { read: { test, found } } };
}
var POWER = [
  [/^(?:twitch\w*|kicks?|starts and stops|(?:fan )?(?:jumps|moves) and stops)$/i, "twitch"],
  [/^(?:tick\w*|click\w*)$/i, "ticks"],
  [/^(?:still|dead|nothing|none|off|no (?:fan|power|lights?|life)\b.*)$/i, "still"],
  [/^(?:runs?|running|on|yes|ok|(?:the )?fans? (?:runs?|on|turns?|spins?|running))$/i, "runs"]
];
var SCREEN = [
  [/^(?:dark|black|blank|nothing|none|no (?:picture|image|signal|display|screen))$/i, "dark"],
  [/^(?:text|picture|image|something|yes|cursor|shows? .*|a picture)$/i, "text"]
];
var REACHED = [
  [/^(?:memory (?:count|test)|counting|count(?:s|ed)? memory|ram (?:count|test))$/i, "count"],
  [/^(?:first text|video bios|picture|sign-?on)$/i, "display"],
  [/^(?:keyboard (?:lights?|leds?)|leds?)$/i, "keyboard"],
  [/^(?:floppy (?:seek|test|drive|light)|fdd|drive a:?|a: seeks?)$/i, "floppy"],
  [/^(?:hard disk|hdd|hard drive|disk ready|drive c:?)$/i, "disk"],
  [/^(?:option roms?|card roms?|card bios(?:es)?|scsi bios|adapter bios)$/i, "roms"],
  [/^(?:press f1|f1|system configuration|summary screen)$/i, "summary"],
  [/^(?:single beep|the beep|boots?|booting|boot sector)$/i, "boot"],
  [/^(?:starting (?:ms-?)?dos.*|dos(?: starts)?|windows(?: starts)?)$/i, "system"],
  [/^(?:config\.sys|drivers|autoexec\.bat)$/i, "config"],
  [/^(?:[a-z]:\\?>?|command prompt|dos prompt)$/i, "prompt"],
  [/^(?:power|fan)$/i, "rails"]
];
var oneOf2 = (key, all, said) => (value) => {
  const own = all.find((x) => x === value.toLowerCase());
  const found = own ?? said.find(([words2]) => words2.test(value))?.[1];
  return found ? { told: { [key]: found } } : { wrong: `"${value}" is not understood; write one of ${all.join(", ")}` };
};
var readDark = oneOf2("screen", ["dark", "text"], SCREEN);
var READERS = {
  beeps: (value) => readBeeps(value) ? { told: { beeps: value } } : { wrong: `"${value}" is not a pattern of beeps; write none, 3, 1 long 2 short, 1-3-3 or repeated` },
  power: oneOf2("power", ["still", "twitch", "ticks", "runs"], POWER),
  screen: (value) => {
    const isSure = /\s+sure$/i.test(value);
    const read = readDark(value.replace(/\s+sure$/i, ""));
    return "wrong" in read || !isSure ? read : { told: { ...read.told, darkSure: true } };
  },
  reached: oneOf2("reached", STAGES, REACHED),
  messages: readMessages,
  text: readText,
  filmed: (value) => readFlag("filmed", value),
  stays: (value) => readFlag("stays", value),
  after: readAfter,
  read: readReading
};

// src/lib/formats/workshop/layout.ts
import { z as z23 } from "zod";
var MAX_ARCHIVE = 128 * 1024 * 1024;
var MAX_UNPACKED = 384 * 1024 * 1024;
var NAME2 = "yellow-jumper/workshop";
var Manifest = z23.object({ format: z23.literal(NAME2), version: z23.literal(1) });
var Revision = z23.object({
  n: z23.number().int().min(0),
  parent: z23.number().int().min(0).nullable(),
  at: z23.string().max(40),
  note: z23.string().max(200),
  mark: z23.string().max(120).optional(),
  build: z23.unknown()
});
var History = z23.object({
  head: z23.number().int().min(0),
  deleted: z23.string().max(40).optional(),
  revisions: z23.array(z23.unknown()).min(1).max(1e5)
});
var Photo = z23.object({
  item: z23.string().max(64),
  name: z23.string().max(120),
  file: z23.string().max(80),
  marks: PhotoMarks.catch([])
});
var Shelf = z23.object({
  items: z23.array(z23.unknown()).max(2e4),
  sightings: z23.array(z23.unknown()).max(5e3).default([]),
  notebooks: z23.array(z23.unknown()).max(5e3).default([]),
  photos: z23.array(z23.unknown()).max(2e4)
});

// src/lib/formats/workshop/read.ts
import { unzipSync } from "fflate";
import "zod";

// src/lib/formats/workshop/write.ts
import { strToU8, zipSync } from "fflate";

// src/lib/formats/disk/bytes.ts
var MOST_DUMP = 4 * 1024 * 1024;

// src/lib/formats/boot-floppy.ts
var layouts = {
  360: { heads: 2, sectors: 9, cluster: 2, perFat: 2, root: 112, media: 253 },
  720: { heads: 2, sectors: 9, cluster: 2, perFat: 3, root: 112, media: 249 },
  1200: { heads: 2, sectors: 15, cluster: 1, perFat: 7, root: 224, media: 249 },
  1440: { heads: 2, sectors: 18, cluster: 1, perFat: 9, root: 224, media: 240 },
  2880: { heads: 2, sectors: 36, cluster: 2, perFat: 9, root: 240, media: 240 }
};
var FLOPPY_IMAGES = Object.keys(layouts).map(Number);
var DATE = 1994 - 1980 << 9 | 1 << 5 | 1;
var TIME = 12 << 11;

// src/lib/server/catalogue.ts
var projectFolder = () => process.env.YJ_ROOT ?? process.cwd();
var catalogueFolder = () => join(projectFolder(), "catalogue");
var compiledCatalogue = () => join(projectFolder(), "build", "heavy", "catalogue.json");
var SOFTWARE = "software.yaml";
var partFiles = (folder) => readdirSync(folder).filter((name2) => name2.endsWith(".yaml") && name2 !== SOFTWARE).sort();
function readCatalogue(folder) {
  const from = folder ?? catalogueFolder();
  const names2 = partFiles(from);
  const compiled = compiledCatalogue();
  if (folder === void 0 && existsSync(compiled)) {
    const made2 = statSync(compiled).mtimeMs;
    if (names2.every((name2) => statSync(join(from, name2)).mtimeMs <= made2))
      return JSON.parse(readFileSync(compiled, "utf8"));
  }
  return readCatalogueFiles(names2.map((name2) => ({ name: name2, text: readFileSync(join(from, name2), "utf8") })));
}
function readSoftware(folder = catalogueFolder()) {
  return readProfiles(readFileSync(join(folder, SOFTWARE), "utf8"), SOFTWARE);
}

// bench/zz-ref.ts
import { writeFileSync } from "node:fs";
var [parts, software2] = [readCatalogue(), readSoftware()];
var s = 12345;
var rnd = () => (s = s * 1103515245 + 12345 & 2147483647) / 2147483647;
var pick = (a) => a[Math.floor(rnd() * a.length)];
function grown(list2, most) {
  const out2 = [...list2];
  for (let n2 = 2; out2.length < most; n2++)
    for (const part of list2) {
      if (out2.length >= most) break;
      const price = part.price && { low: part.price.low + n2, high: part.price.high + 2 * n2 };
      const sold = part.sold && { ...part.sold, from: part.sold.from + n2 % 2 };
      out2.push({ ...part, id: `${part.id.slice(0, 58)}-v${n2}`, name: `${part.name} ${n2}`, ...price ? { price } : {}, ...sold ? { sold } : {} });
    }
  return out2;
}
var big = grown(parts, 800);
var haves2 = ["network", "scsi", "midi", "game", "modem", "mouse", "usb", "fpu", "cdrom", "floppy-3", "floppy-5"];
var out = [];
var count = Number(process.argv[2] ?? 60);
for (let i = 0; i < count; i++) {
  const date = `${1984 + Math.floor(rnd() * 15)}-0${1 + Math.floor(rnd() * 9)}`;
  const wishes2 = [];
  if (rnd() < 0.5) wishes2.push({ kind: "have", what: pick(haves2) });
  if (rnd() < 0.2) wishes2.push({ kind: "have", what: pick(haves2) });
  if (rnd() < 0.15) wishes2.push({ kind: "quiet" });
  if (rnd() < 0.15) wishes2.push({ kind: "colour" });
  if (rnd() < 0.15) wishes2.push({ kind: "real-disk" });
  if (rnd() < 0.2) wishes2.push({ kind: "spare-slots", count: 1 + Math.floor(rnd() * 3) });
  if (rnd() < 0.2) wishes2.push({ kind: "keep", part: pick(parts).id });
  if (rnd() < 0.2) wishes2.push({ kind: "never", part: pick(parts).id });
  const brief2 = Brief.parse({
    date,
    os: pick(["DOS 3.2", "DOS 3.3", "DOS 5", "DOS 6.22", "Windows 98", "Windows 3.1"]),
    wishes: wishes2,
    strictness: pick(["exact", "spirit", "convenient"]),
    source: pick(["anything", "anything", "prefer-shelf", "shelf"]),
    ...rnd() < 0.3 ? { budget: 60 + Math.floor(rnd() * 500) } : {},
    profiles: Array.from({ length: 1 + Math.floor(rnd() * 4) }, () => pick(software2))
  });
  const list2 = rnd() < 0.3 ? big : parts;
  const shelf = Array.from({ length: Math.floor(rnd() * 60) }, (_, n2) => ({ part: pick(parts).id, specimen: `s${n2}` }));
  const request = { brief: brief2, parts: list2, shelf };
  const t = performance.now();
  const f = plan(request);
  const ms = Math.round(performance.now() - t);
  const brieff = { ...f, plans: f.plans.map((p) => ({ score: Math.round(p.score * 1e6) / 1e6, criteria: p.criteria, build: p.build, chosen: p.chosen })) };
  out.push(JSON.stringify(brieff));
  if (process.argv[4]) console.log(i, date, ms, f.plans.length);
}
writeFileSync(process.argv[3], out.join("\n") + "\n");
