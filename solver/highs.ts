import loadHighs, { type Model } from "highs";
import { programText, type Limits, type Program, type Solution, type Solve } from "~/core/fit/program";
import type { Seconds } from "~/core/units";

/** The longest a program is solved for, whatever its limits: a machine that is this slow says so instead of standing still. */
const LONGEST: Seconds = 60;

type Options = {
  /** Where the solver's WebAssembly is, in a browser; on a server it is found beside the package. */
  wasm?: string;
};

/** Starts the HiGHS solver, once for a page or process. Solving blocks, so a browser does it in a worker. */
export async function openSolver({ wasm }: Options = {}): Promise<Solve> {
  const highs = await loadHighs(wasm === undefined ? {} : { locateFile: () => wasm });
  return (program, limits = {}) => {
    try {
      return highs.withModel({ format: "lp", data: programText(program) }, (model) => solved(highs, model, program, limits));
    } catch (error) {
      return { kind: "failed", why: `The solver stopped: ${error instanceof Error ? error.message : String(error)}.` };
    }
  };
}

type Highs = Awaited<ReturnType<typeof loadHighs>>;

/** Left out of the search: what takes longer than it saves in programs as small as these. */
const LIGHT = { mip_heuristic_effort: 0, mip_detect_symmetry: false, mip_allow_restart: false, mip_allow_cut_separation_at_nodes: false };

/** The solver's word for a solution that keeps every row. */
const FEASIBLE = 2;

function solved(highs: Highs, model: Model, program: Program, { gap = 0, nodes, relaxed = false }: Limits): Solution {
  model.options.set({ output_flag: false, mip_rel_gap: gap, mip_abs_gap: 1e-7, time_limit: LONGEST, random_seed: 1, solve_relaxation: relaxed, ...LIGHT, ...(nodes !== undefined && { mip_max_nodes: nodes }) });
  model.run();
  const { modelStatus } = highs.constants;
  const status = model.getModelStatus();
  if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible) return { kind: "infeasible" };
  const found = Number(model.info.get("primal_solution_status")) === FEASIBLE;
  if (!found || (status !== modelStatus.optimal && status !== modelStatus.solutionLimit)) {
    const word = Object.entries(modelStatus).find(([, code]) => code === status)?.[0] ?? "unknown";
    return { kind: "failed", why: `The solver stopped: ${word}.` };
  }
  const { colValue, colDual } = model.getSolution();
  const places = program.columns.map(({ name }) => [name, model.getColByName(name)] as const);
  const values = new Map(places.map(([name, at]) => [name, colValue[at] ?? 0]));
  if (relaxed) return { kind: "optimal", values, bound: model.getObjectiveValue(), costs: new Map(places.map(([name, at]) => [name, colDual[at] ?? 0])) };
  return { kind: "optimal", values, bound: program.columns.some((column) => column.whole) ? Number(model.info.get("mip_dual_bound")) : model.getObjectiveValue() };
}
