/** The interpreter as the registry carries it, compiled to WebAssembly; it has no types of its own. */
declare module '@micropython/micropython-webassembly-pyscript' {
  interface MicroPython {
    runPython(source: string): unknown;
    readonly globals: { get(name: string): unknown };
  }
  export function loadMicroPython(options?: { heapsize?: number }): Promise<MicroPython>;
}
