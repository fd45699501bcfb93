declare module 'virtual:messages/*' {
    const words: Record<string, string>;
    export default words;
}
