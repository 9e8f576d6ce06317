/** Every entry of the library, for a page that has only a script. */
export * from 'zesty-kite';
export * from 'zesty-kite/canvas';
export * from 'zesty-kite/dom';
export * from 'zesty-kite/events';
export * from 'zesty-kite/minimap';
export * from 'zesty-kite/overlay';
export * from 'zesty-kite/review';
export * from 'zesty-kite/session';
export * from 'zesty-kite/three';
