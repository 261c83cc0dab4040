import loadHighs from "highs";
import { programText, type Program, type Solution, type Solve } from "~/core/fit/program";
import type { Seconds } from "~/core/units";

/** The longest a program is solved for before the best so far is taken. */
const LONGEST: Seconds = 20;

type Options = {
  /** Where the solver's WebAssembly is, in a browser; on a server it is found beside the package. */
  wasm?: string;
};

/** Starts the HiGHS solver, once for a page or process. Solving blocks, so a browser does it in a worker. */
export async function openSolver({ wasm }: Options = {}): Promise<Solve> {
  const highs = await loadHighs(wasm === undefined ? {} : { locateFile: () => wasm });
  return (program: Program): Solution => {
    try {
      const answer = highs.solve(programText(program), { output_flag: false, mip_rel_gap: 0, mip_abs_gap: 1e-7, time_limit: LONGEST });
      if (answer.Status === "Optimal") return { kind: "optimal", values: new Map(Object.entries(answer.Columns).map(([name, column]) => [name, (column as { Primal: number }).Primal])) };
      if (answer.Status === "Infeasible" || answer.Status === "Primal infeasible or unbounded") return { kind: "infeasible" };
      return { kind: "failed", why: `The solver stopped: ${answer.Status}.` };
    } catch (error) {
      return { kind: "failed", why: `The solver stopped: ${error instanceof Error ? error.message : String(error)}.` };
    }
  };
}
