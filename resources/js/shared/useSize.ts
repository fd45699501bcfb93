import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The size of an element on the screen, kept up to date. */
export function useSize<T extends HTMLElement>(): [RefObject<T | null>, { width: number; height: number }] {
    const ref = useRef<T>(null);
    const [size, setSize] = useState({ width: 0, height: 0 });
    useLayoutEffect(() => {
        const element = ref.current;
        if (!element) return;
        const read = (): void => setSize({ width: element.clientWidth, height: element.clientHeight });
        read();
        const observer = new ResizeObserver(read);
        observer.observe(element);
        return () => observer.disconnect();
    }, []);
    return [ref, size];
}

/** Whether the window is as narrow as a phone. */
export function usePhone(): boolean {
    const [phone, setPhone] = useState(() => window.matchMedia('(max-width: 699px)').matches);
    useLayoutEffect(() => {
        const media = window.matchMedia('(max-width: 699px)');
        const read = (): void => setPhone(media.matches);
        media.addEventListener('change', read);
        return () => media.removeEventListener('change', read);
    }, []);
    return phone;
}
