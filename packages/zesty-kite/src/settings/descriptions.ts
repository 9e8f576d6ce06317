/** What each setting means, for the JSON Schema and the guide; kept out of what players download. */
export const descriptions: Readonly<Record<string, string>> = {
  $schema: 'Where this schema lies, so that editors can help.',
  start: 'Where the camera begins.',
  'start.x': 'Focus, in world units to the right; the middle of the bounds when left out, or 0.',
  'start.y': 'Focus, in world units downward; the middle of the bounds when left out, or 0.',
  'start.span':
    'World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100. It widens a zoom limit that you do not set.',
  'start.heading': 'Degrees clockwise, seen from above; 0 has screen-up along -y.',
  'start.pitch': 'Degrees that it looks down; what the zoom asks for when left out.',
  'start.focusHeight': 'Part of a pose, so that camera.shown can be a start; the height comes from the ground.',
  'start.fieldOfView': 'Part of a pose, too; the lens comes from its own settings.',
  home: 'The destination of Home, if it is not the start: a saved game begins elsewhere. Null for the start.',
  'home.x': 'Focus, in world units to the right; the middle of the bounds when left out, or 0.',
  'home.y': 'Focus, in world units downward; the middle of the bounds when left out, or 0.',
  'home.span':
    'World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100.',
  'home.heading': 'Degrees clockwise, seen from above; 0 has screen-up along -y.',
  'home.pitch': 'Degrees that it looks down; what the zoom asks for when left out.',
  'home.focusHeight': 'Part of a pose, so that camera.shown can be a home; the height comes from the ground.',
  'home.fieldOfView': 'Part of a pose, too; the lens comes from its own settings.',
  ground: 'What is looked at.',
  'ground.lowest':
    'The least height of anything on the ground, in world units; a terrain can only make it less. Nothing above it is clipped.',
  'ground.highest':
    'The greatest height of anything on the ground, in world units; a terrain can only make it greater. Nothing below it is clipped. Things up to a quarter of a span high are never clipped.',
  'ground.floor':
    'How high above the ground the plane lies that the camera goes by, in world units: for games with storeys. A change eases.',
  'ground.clearance': 'How far the eye stays above the terrain below it, in world units.',
  'ground.followHalfLife': 'Seconds for the height of the focus to cover half of the way to that of the terrain.',
  'ground.followRadius': 'How far around the focus the terrain is smoothed for that, in spans.',
  pitch: 'How far it looks down.',
  'pitch.degrees':
    '90 is straight down, 35.264 true isometric, 30 for tiles twice as wide as high. A number; a list of [span, degrees] stops with a smooth curve through them; or a switch between two values, {"near", "far", "at": span, "slack": share}.',
  'pitch.min': 'The flattest that the player or the zoom can make it.',
  'pitch.max': 'The steepest that the player or the zoom can make it.',
  'pitch.rate': 'How fast held keys tilt, in degrees per second.',
  'pitch.perScreen': 'How far a drag over the height of the screen tilts, in degrees; below 0 the other way round.',
  'pitch.halfLife':
    'Seconds to cover half of the way to what the zoom or a tilt asks for; 0 is at once, and 0.05 while two fingers zoom.',
  lens: 'How the picture is made.',
  'lens.fieldOfView':
    'Vertical field of view of the whole screen in degrees, or what it is by zoom, as for the pitch; null for an orthographic lens.',
  'lens.distance':
    'Zooms by the lens: the eye stays so far from the focus, in world units, and the field of view narrows. Instead of a field of view.',
  'lens.halfLife':
    'Seconds to cover half of the way to the field of view that the zoom asks for; 0 is at once, and 0.05 while two fingers zoom.',
  turn: 'Turning.',
  'turn.min': 'The least heading, in degrees; null for no limit.',
  'turn.max': 'The greatest heading, in degrees; null for no limit.',
  'turn.rate': 'How fast held keys turn, in degrees per second.',
  'turn.fasterFactor': 'How many times faster they turn and tilt while a key of `faster` is held.',
  'turn.step': 'How far one step turns, in degrees: 90 or 45 for tiles.',
  'turn.stops':
    'The only headings to rest at: every `step` degrees from `offset` on. A turn goes on to the nearest of them; null for any heading.',
  'turn.stops.step': 'Degrees from one of these headings to the next: 90 for tiles.',
  'turn.stops.offset': 'One of these headings, in degrees: 45 for tiles that are diamonds.',
  'turn.perScreen': 'How far a drag over the height of the screen turns, in degrees; below 0 the other way round.',
  'turn.anchor':
    'The point that an orbit turns and tilts about: the focus, the ground under the cursor where it was pressed, or the ground below the eye. With "eye", keys and steps turn about it too; else about the focus. Two fingers tilt about the point between them.',
  'turn.halfLife': 'Seconds to cover half of what is left of a turn; 0 is instant.',
  pan: 'Moving by held keys.',
  'pan.speed':
    'Screen heights per second at the middle of the screen, or world units, as `pan.speedUnit` says; or a speed by zoom, as for the pitch.',
  'pan.speedUnit': 'The unit of the speed. World units per second are the same at every zoom, and even on the ground.',
  'pan.evenSpeedOn':
    'Where the speed is the same in every direction: on the screen, or on the ground, which then goes by more slowly up and down a tilted screen.',
  'pan.directions':
    'The directions of keys and sticks: up is up on the screen, or north in the world whatever the heading.',
  'pan.fasterFactor': 'How many times faster keys, sticks and edges pan while a key of `faster` is held.',
  'pan.startHalfLife': 'Seconds to cover half of the way to full speed; 0 starts at once.',
  'pan.stopHalfLife': 'Seconds to lose half of the speed when the keys are let go; 0 stops at once.',
  zoom: 'Coming nearer and going farther.',
  'zoom.minSpan': 'The nearest zoom, as a span in world units or in another unit; null for 12, or a nearer start.',
  'zoom.maxSpan':
    'The farthest zoom, as a span in world units or in another unit; null for as far as the bounds reach, and 4096 without bounds.',
  'zoom.notch': 'The factor of one wheel notch.',
  'zoom.rate': 'How fast held keys zoom, in notches per second.',
  'zoom.perScreen': 'How many notches nearer a drag upward over the height of the screen comes; below 0, farther.',
  'zoom.fasterFactor': 'How many times faster they zoom while a key of `faster` is held.',
  'zoom.halfLife': 'Seconds to cover half of what is left of a zoom; 0 is instant.',
  'zoom.stops': 'The only zooms there are: each notch goes on to the next; null for any zoom.',
  'zoom.stopUnit':
    'The unit of the stops: spans in world units, CSS pixels per world unit, device pixels per world unit for pixel art, eye heights in world units, or fields of view in degrees.',
  'zoom.anchor':
    'What stays where it is on the screen while zooming: the ground under the cursor, the focus, or the ground below the eye.',
  'zoom.outAnchor': 'The same while zooming out; null for the same anchor both ways.',
  twoFingers: 'What two fingers may do.',
  'twoFingers.turn': 'Whether a twist turns the map; the presets for looks that can be turned say so.',
  'twoFingers.zoom': 'Whether a pinch zooms.',
  'twoFingers.tilt':
    'Whether two fingers that go up or down side by side tilt; then they neither pinch nor twist until one is lifted.',
  safeFrame: 'The part of the screen that no panel covers. Focus and bounds are measured in it.',
  'safeFrame.left': 'How far panels reach in from the left, in CSS pixels.',
  'safeFrame.top': 'How far panels reach in from the top, in CSS pixels.',
  'safeFrame.right': 'How far panels reach in from the right, in CSS pixels.',
  'safeFrame.bottom': 'How far panels reach in from the bottom, in CSS pixels.',
  'safeFrame.halfLife': 'Seconds to cover half of the way when they change; 0 is at once.',
  bounds:
    'What the view stays in: a rectangle (left, top, right, bottom), a circle, a polygon or an area, in world units; null for a world without an edge. The view is kept in the convex hull of a polygon or an area, the focus in the shape itself.',
  'bounds.left': 'Least x of a rectangle.',
  'bounds.top': 'Least y of a rectangle.',
  'bounds.right': 'Greatest x of a rectangle.',
  'bounds.bottom': 'Greatest y of a rectangle.',
  'bounds.circle': 'A circle.',
  'bounds.circle.x': 'Its middle.',
  'bounds.circle.y': 'Its middle.',
  'bounds.circle.radius': 'Its radius.',
  'bounds.polygon': 'The corners of a polygon, [x, y] each.',
  'bounds.area':
    'A GeoJSON polygon, multipolygon, feature or collection of features, in world units instead of degrees.',
  'bounds.area.type': 'As in GeoJSON.',
  'bounds.keep': 'What is kept inside: all that shows in the safe frame, or the focus alone.',
  'bounds.whenViewIsLarger':
    'What happens where the view is larger than the bounds: it is centred, or the zoom is limited so that this never is; null limits the zoom wherever no farthest zoom is given.',
  'bounds.margin': 'How far the view may reach over the edge, in world units; negative keeps it away.',
  'bounds.screenMargin': 'The same, as a share of the height of the safe frame.',
  'bounds.elastic': 'How far a hand can pull the view over the edge at most, as a share of that height; 0 not at all.',
  'bounds.returnHalfLife': 'Seconds to cover half of the way back when it lets go.',
  wrap: 'A world that repeats itself.',
  'wrap.x': 'After how many world units along x, counted from 0; null where it does not.',
  'wrap.y': 'After how many world units along y, counted from 0; null where it does not.',
  resize: 'A screen that changes its size.',
  'resize.keep':
    'What stays the same: the span, the width of ground that shows, or the scale in pixels per unit; null for the scale with an orthographic lens and the span with a perspective. A panel (`safeFrame`) never changes the scale.',
  edge: 'Panning while the pointer rests at an edge of the screen; `true` turns it on with the defaults, null turns it off.',
  'edge.width':
    'The width of each band that has none of its own. With null it is 0.03, or 20 if the unit is pixels; and 0 if another side is named.',
  'edge.left': 'The width of the band along the left side; 0 for no band.',
  'edge.top': 'The width of the band along the top.',
  'edge.right': 'The width of the band along the right side.',
  'edge.bottom': 'The width of the band along the bottom.',
  'edge.unit': 'The unit of these widths: shares of the shorter side of the screen, or CSS pixels.',
  'edge.maxWidth': 'No band that is a share is wider than this, in CSS pixels.',
  'edge.speedByDepth':
    'How speed grows with depth in the band: linear, from nothing at the inner side to all at the edge, or constant.',
  'edge.speed': 'How fast it pans at the very edge, in pan speeds.',
  'edge.sideSpeeds': 'A factor of the speed for each side.',
  'edge.sideSpeeds.left': 'The factor at the left side.',
  'edge.sideSpeeds.top': 'The factor at the top.',
  'edge.sideSpeeds.right': 'The factor at the right side.',
  'edge.sideSpeeds.bottom': 'The factor at the bottom.',
  'edge.along':
    'The bands lie along the sides of the screen, or along those of the safe frame. Along the screen, the last 2 pixels pan over panels, too.',
  'edge.dwell': 'Seconds for which the pointer has to stay in a band before it pans.',
  'edge.outside': 'What happens when the pointer leaves the window through a band: it stops, or goes on.',
  'edge.duringGameDrag': 'Whether it goes on while the game drags something, such as a selection box.',
  wheel: 'The wheel and two fingers on a trackpad.',
  'wheel.action': 'What it does: zoom, pan, or a wheel zooms and a trackpad pans. A pinch zooms always.',
  'wheel.partialNotches': 'What parts of a notch do: they apply at once, or are collected until they make a whole one.',
  'wheel.requires':
    'On a page that scrolls: what the camera requires before it takes the wheel from it; nothing, the focus on the element, or a held Control.',
  pad: 'Pads with the standard mapping of the Gamepad API.',
  'pad.deadZone':
    'How far a stick or a trigger goes before it counts, as a share of its way; round, and all beyond begins at nothing.',
  'pad.curve':
    'Speed grows with this power of how far a stick is pushed beyond that: 1 is evenly, more is finer near the middle.',
  locked: 'What the player cannot do now, such as in a cutscene; the program still can.',
  inverted:
    'What goes the other way round for this player: the zoom of the wheel; turning, tilting, by dragging and by sticks. Keys are bound otherwise.',
  sensitivity: 'Factors that players set. A drag has none, because the ground stays under the pointer.',
  'sensitivity.wheel': 'How far the wheel goes, also two fingers that scroll on a trackpad.',
  'sensitivity.pinch': 'How far a pinch zooms; with 1, two fingers on a screen keep the ground that they touched.',
  'sensitivity.orbit': 'How far an orbit turns and tilts.',
  drag: 'Fingers and dragging buttons.',
  'drag.startsAfter': 'How far a button goes before it drags instead of clicking, in CSS pixels.',
  'drag.touchStartsAfter': 'The same for a finger.',
  'drag.touchRequires':
    'How many fingers a drag needs. With "two-fingers", one finger scrolls the page, and two pan, pinch and twist.',
  'drag.glideHalfLife': 'Seconds in which a flung map loses half of its speed; 0 stops at once.',
  'drag.pullDistance':
    'How far from where it was pressed a `pull` pans at the pan speed, as a share of the height of the screen; twice as far, twice as fast.',
  'drag.keepsGoing':
    'What goes on after a hand lets go in passing: the pan alone, or the zoom and the turn of two fingers as well.',
  'drag.pinchZone': 'How much two fingers have to open or close before they zoom, as a share of their distance.',
  'drag.doubleTapNotches':
    'By how many notches a double tap comes nearer, and a tap of two fingers goes farther; 0 for neither.',
  'drag.twistZone': 'How far two fingers have to twist before they turn, in degrees.',
  reducedMotion:
    'Nothing eases or glides: zooms, turns and the way home are there at once. `listen` sets it as the system asks.',
  bindings:
    'What asks for what: keys by their UI Events codes, MouseLeft, MouseMiddle, MouseRight, MouseBack, MouseForward, Touch, Pen, PenBarrel, PenEraser, WheelUp, WheelDown; of a pad PadLeftStickUp, …Down, …Left, …Right and the same of PadRightStick, PadLeftTrigger, PadRightTrigger, PadLeftShoulder, PadRightShoulder, PadFaceBottom, …Right, …Left, …Top, PadUp, …Down, …Left, …Right, PadSelect, PadStart, PadCentre, and PadLeftStick and PadRightStick for pressing a stick down; Shift, Control, Alt and Meta stand for either side; Space+MouseLeft is a button while a key is held. What is not named here is left to the page.',
  'bindings.panUp': 'Pans toward the top of the screen.',
  'bindings.panLeft': 'Pans toward the left of the screen.',
  'bindings.panDown': 'Pans toward the bottom of the screen.',
  'bindings.panRight': 'Pans toward the right of the screen.',
  'bindings.faster': 'Makes held keys pan, zoom and turn faster while it is held, each by its own factor.',
  'bindings.turnLeft': 'Turns the camera to the left while it is held.',
  'bindings.turnRight': 'Turns the camera to the right while it is held.',
  'bindings.tiltUp': 'Looks up, more along the ground, while it is held.',
  'bindings.tiltDown': 'Looks down, more from above, while it is held.',
  'bindings.zoomIn': 'Comes nearer while it is held; with stops, goes on by one.',
  'bindings.zoomOut': 'Goes farther while it is held; with stops, goes on by one.',
  'bindings.turnStepLeft': 'Turns to the left by a step.',
  'bindings.turnStepRight': 'Turns to the right by a step.',
  'bindings.faceNorth': 'Turns back until up is where it was at first, the short way round.',
  'bindings.home': 'Goes back to where the settings begin.',
  'bindings.drag': 'Holds the ground under the pointer; two fingers pinch and twist.',
  'bindings.pull':
    'Pans for as long as it is held: toward where the pointer is from where it was pressed, the faster the farther.',
  'bindings.orbit': 'Turns and tilts with the pointer, about `turn.anchor`. `MouseMotion` needs no button.',
  'bindings.dragTurn': 'Turns with the pointer, and does not tilt. `MouseMotion` needs no button.',
  'bindings.dragZoom': 'Zooms with the pointer: up comes nearer. `zoom.perScreen` says how far.',
};
