/** Two maps in React, and a dialog of players' settings in which a key is bound by pressing it. */
import * as React from 'react';
import { createRoot } from 'react-dom/client';
import { createDrawing } from 'zesty-kite/canvas';
import { playerTexts, PlayerSettings } from 'zesty-kite/players';
import { cameraHook } from 'zesty-kite/react';
import schema from 'zesty-kite/settings.schema.json';

const useCamera = cameraHook(React);
const OFFERS = { 'pan.speed': { min: 0.5, max: 2, step: 0.1 }, 'inverted.wheel': {}, 'bindings.panUp': {} };
const bounds = { left: 0, top: 0, right: 1024, bottom: 768 };

function Map({ settings, colour, onCamera }) {
  const { ref, camera } = useCamera(settings, (canvas) => {
    const context = canvas.getContext('2d');
    const drawing = createDrawing(context);
    return (view) => {
      drawing.begin(view);
      context.fillStyle = colour;
      context.fillRect(0, 0, 512, 384);
      context.fillRect(512, 384, 512, 384);
    };
  });
  React.useEffect(() => onCamera?.(camera), [camera]);
  return <canvas ref={ref} aria-label="The map" style={{ width: '400px', height: '300px' }} />;
}

function Dialog({ camera }) {
  const own = React.useMemo(() => new PlayerSettings(camera, schema, OFFERS, null, playerTexts), [camera]);
  const [, redraw] = React.useReducer((count) => count + 1, 0);
  const set = (path, value) => {
    own.set(path, value);
    redraw();
  };
  return own.offered.map(({ path, name, kind, value, min, max, step }) => (
    <label key={path}>
      {name}
      {kind === 'number' && (
        <input
          type="range"
          {...{ min, max, step, value }}
          onChange={(event) => set(path, event.target.valueAsNumber)}
        />
      )}
      {kind === 'switch' && <input type="checkbox" checked={value} onChange={() => set(path, !value)} />}
      {kind === 'inputs' && <button onKeyDown={(event) => set(path, [event.code])}>{value.join(' ')}</button>}
    </label>
  ));
}

function Game() {
  const [span, zoom] = React.useState(300);
  const [camera, setCamera] = React.useState(null);
  return (
    <React.StrictMode>
      <Map
        settings={{ bounds, start: { span: 300 }, pan: { speed: span / 300 } }}
        colour="#8fb656"
        onCamera={setCamera}
      />
      <Map settings={{ bounds, start: { span: 600 } }} colour="#a9c765" />
      {camera && <Dialog camera={camera} />}
      <button id="faster" onClick={() => zoom(span * 2)}>
        Faster
      </button>
    </React.StrictMode>
  );
}

const root = document.body.appendChild(document.createElement('div'));
createRoot(root).render(<Game />);
