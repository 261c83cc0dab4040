/** No file leads back to itself, whether by what it runs or by its types: each can be read, tested and moved without the others. */
module.exports = {
  forbidden: [{ name: "no-circles", severity: "error", from: {}, to: { circular: true } }],
  options: { tsConfig: { fileName: "tsconfig.json" }, tsPreCompilationDeps: true, doNotFollow: { path: "node_modules" }, exclude: { path: "(^build|\\.react-router|\\.test\\.tsx?$)" } },
};
