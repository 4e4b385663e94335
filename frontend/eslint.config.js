import boundaries from "eslint-plugin-boundaries";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** The folders of the pages, and what each may import besides itself. */
const FOLDERS = [
  { type: "api", pattern: "src/api" },
  { type: "ui", pattern: "src/ui" },
  { type: "shell", pattern: "src/app" },
  { type: "table", pattern: "src/table" },
  { type: "draft", pattern: "src/draft" },
  { type: "bench-parts", pattern: "src/workbench/benches/parts" },
  { type: "bench", pattern: "src/workbench/benches/*" },
  { type: "workbench-state", pattern: "src/workbench/state" },
  { type: "workbench", pattern: "src/workbench" },
  { type: "pack", pattern: "src/pack" },
  { type: "play", pattern: "src/play" },
  { type: "page", pattern: "src/(load|shelf|players|foresight|take)" },
  { type: "folder", pattern: "src/folder" },
  { type: "root", pattern: "src" },
];
const LOW = ["api", "ui", "shell"];
const MAY_IMPORT = {
  api: [],
  ui: ["api"],
  shell: ["api", "ui"],
  table: LOW,
  draft: LOW,
  "workbench-state": [...LOW, "draft"],
  "bench-parts": LOW,
  pack: [...LOW, "table"],
  play: [...LOW, "table"],
  bench: [...LOW, "draft", "table", "pack", "bench-parts", "workbench-state"],
  workbench: [...LOW, "draft", "table", "bench", "workbench-state"],
  page: [...LOW, "draft", "table", "pack", "play"],
  folder: [...LOW, "play"],
  root: [...LOW, "page", "pack", "play", "workbench"],
};

export default tseslint.config(
  { ignores: ["src/api/schema.d.ts"] },
  ...tseslint.configs.strictTypeChecked,
  reactHooks.configs.flat.recommended,
  {
    plugins: { boundaries },
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    settings: {
      "boundaries/elements": FOLDERS,
      "import/resolver": { node: { extensions: [".ts", ".tsx", ".d.ts"] } },
    },
    rules: {
      "boundaries/dependencies": [
        "error",
        {
          default: "disallow",
          policies: Object.entries(MAY_IMPORT).map(([type, others]) => ({
            from: { element: { type } },
            allow: { to: { element: { types: { anyOf: others } } } },
          })),
        },
      ],
      "boundaries/no-unknown-files": "error",
      "@typescript-eslint/no-confusing-void-expression": "off",
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      // A cast of what is written out here would hide a field that is missing.
      "@typescript-eslint/consistent-type-assertions": [
        "error",
        { assertionStyle: "as", objectLiteralTypeAssertions: "never", arrayLiteralTypeAssertions: "allow" },
      ],
      "max-lines-per-function": ["error", { max: 200, skipBlankLines: true, skipComments: true }],
    },
  },
);
