'use client';
import {
  type ComponentType,
  createContext,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';

/** What an editor works on, as it is kept, and whether it shows what was left unsaved. */
interface Draft {
  base: string;
  left: boolean;
}

const DraftContext = createContext<Draft>({ base: '', left: false });

/** Every page has one place for what was left unsaved on it; it lasts as long as the tab. */
const placeOf = () => `draft:${location.pathname}${location.search}`;

/** What was left unsaved of a record, as long as nobody else has changed that since. */
function leftOf(base: string): unknown {
  const { base: from, value } = JSON.parse(sessionStorage.getItem(placeOf()) ?? '{}') as {
    base?: string;
    value?: unknown;
  };
  return from === base ? value : undefined;
}

/** What was left unsaved on this page is saved, or not wanted any more. */
export const forgetDraft = () => sessionStorage.removeItem(placeOf());

/**
 * An editor that loses nothing: a page that is left by a slip, reloaded or signed out of comes back as it was.
 *
 * @param field the property that holds the record to edit
 */
export function drafted<K extends string, P extends Record<K, unknown>>(field: K, Form: ComponentType<P>) {
  return function Drafted(props: P) {
    const base = useMemo(() => JSON.stringify(props[field]), [props[field]]);
    const [left, setLeft] = useState<unknown>();
    // Before the form has effects of its own, which would take what is kept for all there is.
    useLayoutEffect(() => setLeft(leftOf(base)), [base]);
    const draft = useMemo(() => ({ base, left: left !== undefined }), [base, left]);
    return (
      <DraftContext value={draft}>
        <Form key={draft.left ? 'left' : 'kept'} {...props} {...(draft.left ? { [field]: left } : {})} />
      </DraftContext>
    );
  };
}

/** Keep what an editor holds until it is saved; only where it differs from what is kept. */
export function useDraft(value: unknown): Draft {
  const draft = useContext(DraftContext);
  const now = JSON.stringify(value);
  const begun = useRef(now);
  useEffect(() => {
    if (now === draft.base || (now === begun.current && !draft.left)) forgetDraft();
    else sessionStorage.setItem(placeOf(), JSON.stringify({ base: draft.base, value: JSON.parse(now) }));
  }, [now, draft]);
  return draft;
}
