import { Children, Component, type ReactNode } from 'react';

/** What cannot be drawn is drawn as `instead`, which can try again; what stands around it is as it was. */
export class Boundary extends Component<
  { children: ReactNode; instead: (error: Error, again: () => void) => ReactNode },
  { error?: Error | undefined }
> {
  override state: { error?: Error | undefined } = {};
  static getDerivedStateFromError = (error: Error): { error: Error } => ({ error });
  override componentDidCatch(error: Error): void {
    console.warn(`Not drawn: ${error.message}`);
  }
  override render(): ReactNode {
    const { error } = this.state;
    return error ? this.props.instead(error, () => this.setState({ error: undefined })) : this.props.children;
  }
}

const fault = (error: Error, again: () => void): ReactNode => (
  <div role="alert" className="grid justify-items-start gap-1.5 rounded border border-error p-2 text-[14px]">
    <p>This part cannot be shown ({error.message}). The rest works, and nothing is lost.</p>
    <button type="button" className="btn btn-sm" onClick={again}>
      Try again
    </button>
  </div>
);

/** Cards beside each other: one that fails says so in its place. */
export const Cards = ({ children }: { children: ReactNode }) =>
  Children.map(children, (card) => card && <Boundary instead={fault}>{card}</Boundary>);
