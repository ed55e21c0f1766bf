import type { ReactNode } from "react";

export function NothingToShow({ children }: { readonly children: ReactNode }) {
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6">
      <title>Release · Upright Quill</title>
      <h1 className="page-title">Release</h1>
      <p role="status" className="mt-6 text-soft">
        {children}
      </p>
    </main>
  );
}
