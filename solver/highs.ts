import loadHighs, { type Model, type ModelData } from "highs";
import { type Limits, type Program, type Solution, type Solve } from "~/core/fit/program";
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
      return highs.withModel(dataOf(highs, program), (model) => solved(highs, model, program, limits));
    } catch (error) {
      return { kind: "failed", why: `The solver stopped: ${error instanceof Error ? error.message : String(error)}.` };
    }
  };
}

type Highs = Awaited<ReturnType<typeof loadHighs>>;

/** The program as the solver's own arrays: its columns in their order, its rows packed one after another, terms of one column added up. */
function dataOf({ constants, infinity }: Highs, { objective, rows, columns }: Program): ModelData {
  const at = new Map(columns.map(({ name }, k) => [name, k]));
  const place = (column: string): number => {
    const k = at.get(column);
    if (k === undefined) throw new Error(`there is no column ${column}`);
    return k;
  };
  const colCost = new Float64Array(columns.length);
  for (const { column, times } of objective) colCost[place(column)]! += times;
  const starts = [0],
    indices: number[] = [],
    values: number[] = [];
  for (const { terms } of rows) {
    const sums = new Map<number, number>();
    for (const { column, times } of terms) sums.set(place(column), (sums.get(place(column)) ?? 0) + times);
    indices.push(...sums.keys());
    values.push(...sums.values());
    starts.push(indices.length);
  }
  return {
    numCols: columns.length,
    numRows: rows.length,
    sense: constants.objectiveSense.maximize,
    colCost,
    colLower: columns.map(({ least }) => least),
    colUpper: columns.map(({ most }) => most),
    rowLower: rows.map(({ least = -infinity }) => least),
    rowUpper: rows.map(({ most = infinity }) => most),
    matrix: { format: "csr", numRows: rows.length, numCols: columns.length, starts, indices, values },
    integrality: columns.map(({ whole }) =>
      whole ? constants.variableType.integer : constants.variableType.continuous,
    ),
  };
}

/** Left out of the search: what takes longer than it saves in programs as small as these. */
const LIGHT = {
  mip_heuristic_effort: 0,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_feasibility_jump: false,
  mip_heuristic_run_root_reduced_cost: false,
  mip_detect_symmetry: false,
  mip_allow_restart: false,
  mip_pscost_minreliable: 0,
  mip_allow_cut_separation_at_nodes: false,
};

/** The solver's word for a solution that keeps every row. */
const FEASIBLE = 2;

function solved(
  highs: Highs,
  model: Model,
  program: Program,
  { gap = 0, nodes, relaxed = false, start }: Limits,
): Solution {
  model.options.set({
    output_flag: false,
    mip_rel_gap: gap,
    mip_abs_gap: 1e-7,
    time_limit: LONGEST,
    random_seed: 1,
    solve_relaxation: relaxed,
    ...LIGHT,
    ...(nodes !== undefined && { mip_max_nodes: nodes }),
  });
  if (start) {
    const given = program.columns.flatMap(({ name }, k) => (start.has(name) ? [{ k, value: start.get(name)! }] : []));
    model.setSolution({ indices: given.map(({ k }) => k), values: given.map(({ value }) => value) });
  }
  model.run();
  const { modelStatus } = highs.constants;
  const status = model.getModelStatus();
  if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible) return { kind: "infeasible" };
  const found = Number(model.info.get("primal_solution_status")) === FEASIBLE;
  const { optimal, solutionLimit, timeLimit } = modelStatus;
  // What was found when a limit was reached is as good as it says: the bound tells how much better it could be.
  if (!found || (status !== optimal && status !== solutionLimit && status !== timeLimit)) {
    const word = Object.entries(modelStatus).find(([, code]) => code === status)?.[0] ?? "unknown";
    return { kind: "failed", why: `The solver stopped: ${word}.` };
  }
  const { colValue, colDual } = model.getSolution();
  const byName = (list: Float64Array) => new Map(program.columns.map(({ name }, k) => [name, list[k] ?? 0]));
  const values = byName(colValue);
  if (relaxed) return { kind: "optimal", values, bound: model.getObjectiveValue(), costs: byName(colDual) };
  return {
    kind: "optimal",
    values,
    bound: program.columns.some((column) => column.whole)
      ? Number(model.info.get("mip_dual_bound"))
      : model.getObjectiveValue(),
  };
}
