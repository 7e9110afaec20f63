/** Data runs one way: api -> state -> ribbon -> thing -> parts -> screens. */
const order = ["api", "state", "ribbon", "thing", "parts", "screens"];
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    ...order.map((room, index) => ({
      name: `${room}-imports-downward`,
      severity: "error",
      from: { path: `^src/${room}/` },
      to: { path: `^src/(${order.slice(index + 1).join("|") || "none"})/` },
    })),
  ],
  options: { tsConfig: { fileName: "tsconfig.json" }, doNotFollow: { path: "node_modules" } },
};
