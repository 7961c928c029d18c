import next from "@next/eslint-plugin-next";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  {
    ignores: [
      ".next/",
      "node_modules/",
      "public/",
      ".work/",
      "data/",
      "drizzle/",
      "next-env.d.ts",
      "src/vision/kernel/assembly/",
    ],
  },
  ...tseslint.configs.recommended,
  {
    plugins: { "@next/next": next, "react-hooks": hooks },
    rules: { ...next.configs.recommended.rules, ...hooks.configs.recommended.rules },
  },
  {
    rules: {
      "@typescript-eslint/no-unused-vars": [
        "error",
        { argsIgnorePattern: "^_", varsIgnorePattern: "^_" },
      ],
      "@typescript-eslint/no-non-null-assertion": "off",
      eqeqeq: "error",
    },
  },
);
