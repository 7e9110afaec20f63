/** A way of working: what it starts from, when it serves, and what to mind. */
export interface School {
  name: string;
  does: string;
  serves: string;
  mind: string;
}

export const SCHOOLS: School[] = [
  {
    name: "From the pleat",
    does: "Pin the spacing and let pleats meet, or pin the depth too. The count and the cloth follow.",
    serves: "Skirts and valances, where the look of one pleat is what matters.",
    mind: "The spacing gives a little so that whole pleats fill the edge.",
  },
  {
    name: "From the count",
    does: "Pin how many: rings at hand, panels, a pleat over every seam.",
    serves: "Curtains on rings, aprons to match, anything that pairs with something made already.",
    mind: "Count spaces beside pleats.",
  },
  {
    name: "From the cloth",
    does: "Pin the flat width that there is, and the finished width. The depth follows.",
    serves: "A remnant, a sheet, an old curtain.",
    mind: "Take the allowances off first: they are never pleated.",
  },
  {
    name: "From fullness",
    does: "Pin the fullness, and a spacing or a depth about.",
    serves: "Curtains and gathers, where the hang is what matters.",
    mind: "Settle whether returns and overlaps are inside the figure: of the pleated part alone they are added flat afterwards, of the whole edge they are not.",
  },
  {
    name: "To the repeat, or to a stripe",
    does: "Make spacing and cloth per pleat together a whole number of repeats, or set one stripe at the fold.",
    serves: "Plaids and stripes: every pleat shows the same.",
    mind: "It takes more cloth, and joins must keep the sequence.",
  },
  {
    name: "By eye",
    does: "Drape a few pleats, measure them, and let them be made even.",
    serves: "One of a kind, on the stand.",
    mind: "Keep the total or keep the average depth: choose before you even them out.",
  },
  {
    name: "Marks from one end",
    does: "Chalk every mark at its own place on the tape, in groups, the first of each group bolder.",
    serves: "Long rows: nothing drifts.",
    mind: "Inside the seam allowance first, then carried down square. Turned wrong side up, the start lies to the other hand: the list still measures from it.",
  },
  {
    name: "A notched gauge",
    does: "Lay a card with one pleat’s widths against the last mark.",
    serves: "A few pleats that are all alike, and cloth that takes no chalk.",
    mind: "What the card is wrong by adds up, pleat by pleat: check against the list now and then.",
  },
];

export const CAUTIONS: readonly string[] = [
  "A hot iron and its steam burn; synthetics and satin scorch: try a scrap first, under a cloth.",
  "Rotary cutter: guard closed between cuts, and away from the hand that holds the rule.",
  "Count pins and needles out and in. Never sew over a pin at speed.",
  "Thick folds break needles: protect your eyes, turn the wheel by hand, or sew that place by hand.",
  "A ruffling attachment: turn it by hand for two tucks before you run it.",
  "Heavy curtains: the rail, its fixings and the wall have to be made for the load. Ladders want a second person.",
  "Looped cords and tapes can strangle small children: go cordless, or tie them out of reach, and follow the rules where you live.",
  "Long hems and curtains that lie on the floor trip.",
  "Full skirts and curtains near flames and heaters catch fire. Where local codes ask for it, in public rooms, on stages, for children’s nightwear, use cloth treated or made to resist flame.",
  "Long bending and lifting at the table: raise it, take turns, stop now and then.",
];
