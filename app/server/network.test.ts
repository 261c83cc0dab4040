import { expect, it } from "vitest";
import { byNetwork } from "./network";

it("counts a long address by its network, a short one by itself", () => {
  expect(byNetwork("192.0.2.7")).toBe("192.0.2.7");
  expect(byNetwork("::ffff:192.0.2.7")).toBe("192.0.2.7");
  expect(byNetwork("2001:db8:0:12::1")).toBe("2001:db8:0:12::/64");
  expect(byNetwork("2001:0DB8:0:12:ffff:ffff:ffff:ffff")).toBe("2001:db8:0:12::/64");
  expect(byNetwork("2001:db8::1")).toBe("2001:db8:0:0::/64");
  expect(byNetwork("::1")).toBe("0:0:0:0::/64");
});
