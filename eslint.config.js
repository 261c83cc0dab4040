import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** Which folders a folder may not import from, so that imports point one way: app → db → core, app → library → core. */
const noImport = (...folders) => ({
  "no-restricted-imports": [
    "error",
    {
      patterns: [
        {
          group: folders.flatMap((f) => [`~/${f}/*`, `~/${f}`, `**/../${f}/*`]),
          message: "Imports point one way: see docs/architecture.md.",
        },
      ],
    },
  ],
});

/** core/ is pure: nothing of a browser, a server, a clock or chance. */
const IMPURE = [
  "window",
  "document",
  "navigator",
  "localStorage",
  "sessionStorage",
  "fetch",
  "process",
  "Buffer",
  "setTimeout",
  "setInterval",
  "requestAnimationFrame",
  "performance",
  "crypto",
  "console",
];

export default tseslint.config(
  { ignores: ["build", "node_modules", ".react-router", "db/migrations"] },
  ...tseslint.configs.recommendedTypeChecked.map((c) => ({ ...c, files: ["**/*.ts", "**/*.tsx"] })),
  {
    files: ["**/*.ts", "**/*.tsx"],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    plugins: { "react-hooks": hooks },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/only-throw-error": "off",
      "@typescript-eslint/no-unused-expressions": ["error", { allowTernary: true, allowShortCircuit: true }],
      "@typescript-eslint/no-misused-promises": [
        "error",
        { checksVoidReturn: { attributes: false, properties: false, arguments: false } },
      ],
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/consistent-type-imports": "error",
      "no-console": ["error", { allow: ["error"] }],
      eqeqeq: ["error", "always", { null: "ignore" }],
    },
  },
  {
    files: ["core/**/*.ts"],
    rules: {
      ...noImport("app", "db", "cli", "scripts", "tests"),
      "no-restricted-globals": [
        "error",
        ...IMPURE.map((name) => ({ name, message: "core/ is pure: pass it in instead." })),
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "core/ is pure: pass chance in instead." },
        { object: "Date", property: "now", message: "core/ is pure: pass the time in instead." },
      ],
      "no-restricted-syntax": [
        "error",
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: "core/ is pure: pass the time in instead.",
        },
      ],
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["core/**/*.test.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              group: ["~/app/*", "~/db/*", "~/library", "~/library/*", "~/cli/*", "~/scripts/*"],
              message: "Imports point one way: see docs/architecture.md.",
            },
            {
              group: ["react", "react-*", "react/*", "node:*", "drizzle-orm*", "postgres", "express", "fast-check"],
              message: "core/ is pure: no React, server or database.",
            },
          ],
        },
      ],
    },
  },
  // Time is known in one place, so that it can be turned.
  {
    files: ["app/**/*.ts", "app/**/*.tsx", "db/**/*.ts", "cli/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now", message: "Ask core/clock for the time." },
      ],
      "no-restricted-syntax": [
        "error",
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: "Ask core/clock for the time." },
      ],
    },
  },
  {
    files: ["core/clock/clock.ts"],
    rules: {
      "no-restricted-properties": "off",
      "no-restricted-syntax": "off",
      "no-restricted-globals": [
        "error",
        ...IMPURE.filter((name) => name !== "performance").map((name) => ({
          name,
          message: "core/ is pure: pass it in instead.",
        })),
      ],
    },
  },
  { files: ["core/clock/*.test.ts"], rules: { "no-restricted-properties": "off", "no-restricted-globals": "off" } },
  { files: ["library/**/*.ts"], ignores: ["**/*.test.ts"], rules: noImport("app", "db", "cli", "scripts", "tests") },
  { files: ["db/**/*.ts"], ignores: ["**/*.test.ts"], rules: noImport("app", "library", "cli", "scripts", "tests") },
  { files: ["app/**/*.ts", "app/**/*.tsx"], rules: noImport("cli", "scripts", "tests") },
  { files: ["cli/**/*.ts"], rules: noImport("app", "db", "scripts", "tests") },
);
