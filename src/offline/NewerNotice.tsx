import { flush } from '../store/saving';
import { useNewer } from './register';

/** Says that a newer version is here; going over to it loses nothing. */
export function NewerNotice() {
  const { takeOver } = useNewer();
  if (!takeOver) return null;
  return (
    <div className="pointer-events-none fixed right-4 bottom-16 z-40">
      <p role="status" className="notice">
        A newer version of Tidy Edge is here.
        <button type="button" className="btn btn-xs btn-primary" onClick={() => void flush().then(takeOver)}>
          Reload
        </button>
        <button type="button" className="btn btn-xs" onClick={() => useNewer.setState({ takeOver: undefined })}>
          Later
        </button>
      </p>
    </div>
  );
}
