import { Component, type ReactNode } from 'react';

/** What cannot be drawn is drawn as `instead`; what stands around it is as it was. */
export class Boundary extends Component<
  { children: ReactNode; instead: (error: Error) => ReactNode },
  { error?: Error }
> {
  override state: { error?: Error } = {};
  static getDerivedStateFromError = (error: Error): { error: Error } => ({ error });
  override componentDidCatch(error: Error): void {
    console.warn(`Not drawn: ${error.message}`);
  }
  override render(): ReactNode {
    const { error } = this.state;
    return error ? this.props.instead(error) : this.props.children;
  }
}
