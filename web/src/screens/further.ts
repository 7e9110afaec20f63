/** Every screen but the shelf of works and the bench: one piece of the page to fetch. */

export { BackupsScreen } from "./backups";
export { DigitalTape } from "./digital-tape";
export { Fold } from "./fold";
export { Handbook } from "./handbook";
export { Lesson } from "./lesson";
export { Papers } from "./papers";
export { Shelf } from "./shelf";
export { SwatchBook } from "./swatches";
export { Table } from "./table";
export { WaysScreen } from "./ways";
