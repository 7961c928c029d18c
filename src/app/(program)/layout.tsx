import { Program } from "../program";

export default function ProgramLayout({ children }: { children: React.ReactNode }) {
  return <Program>{children}</Program>;
}
