import type { ComponentProps } from 'react';
import { useHref, useLinkClickHandler, useLocation, useResolvedPath } from 'react-router';

interface LinkProps extends Omit<ComponentProps<'a'>, 'href'> {
  /** An address of this application, or a part of one from here. */
  readonly to: string;
}

/**
 * A way to another page. The router's own brings along what other set-ups fetch ahead with: two kilobytes before the
 * first sight, and a good part of what a list of them takes to be drawn.
 */
export function Link({ to, onClick, ...rest }: LinkProps) {
  const go = useLinkClickHandler<HTMLAnchorElement>(to);
  return (
    <a
      {...rest}
      href={useHref(to)}
      onClick={(e) => {
        onClick?.(e);
        if (!e.defaultPrevented) go(e);
      }}
    />
  );
}

/** A way to another page that says when one is there, or (without `end`) on a page below it. */
export function NavLink({ end = false, ...props }: LinkProps & { readonly end?: boolean }) {
  const { pathname } = useLocation();
  const there = useResolvedPath(props.to).pathname;
  const isHere = pathname === there || (!end && pathname.startsWith(`${there}/`));
  return <Link {...props} aria-current={isHere ? 'page' : undefined} />;
}
