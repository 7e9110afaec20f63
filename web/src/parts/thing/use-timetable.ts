import { useQuery } from "@tanstack/react-query";
import { ask, type Thing, type Timetable } from "../../api/client";

export type Session = NonNullable<NonNullable<Thing["making"]>["sessions"]>[number];

/** How long the steps of a work take, and how they fit into its sessions; asked anew once what is kept of it changed. */
export function useTimetable(work: string, revision: number | "as kept", sessions: Session[]) {
  return useQuery({
    queryKey: ["timetable", work, revision, sessions],
    queryFn: ({ signal }) => ask<Timetable>("POST", `/works/${work}/timetable`, { sessions }, { signal }),
    placeholderData: (before) => before,
    retry: false,
  });
}
