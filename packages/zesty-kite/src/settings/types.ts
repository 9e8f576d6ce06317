/** The types of settings. Written by scripts/types.mjs from schema.ts and descriptions.ts; `npm run types-of-settings`. */
import type { Input, Listed } from './listed.ts';
import type { Span } from './zoomUnit.ts';

/* eslint-disable @typescript-eslint/consistent-type-definitions -- a type, unlike an interface, is a record too */

/** Settings as they are written, the settings of one camera: whatever is left out has its default. Lengths are world units, durations seconds. */
export type Settings = {
  /** Where this schema lies, so that editors can help. */
  $schema?: string | undefined;
  /** Where the camera begins. */
  start?:
    | {
        /** Focus, in world units to the right; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
        x?: number | undefined;
        /** Focus, in world units downward; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
        y?: number | undefined;
        /** World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100. It widens a zoom limit that you do not set. Values: 1e-6 … 1e12, or another unit. */
        span?: Span | undefined;
        /** Degrees clockwise, seen from above; 0 has screen-up along -y. Values: -1e6 … 1e6. Default: `0`. */
        heading?: number | undefined;
        /** Degrees that it looks down; what the zoom asks for when left out. Values: 1 … 90. */
        pitch?: number | undefined;
        /** Part of a pose, so that camera.shown can be a start; the height comes from the ground. Values: -1e12 … 1e12. */
        focusHeight?: number | undefined;
        /** Part of a pose, too; the lens comes from its own settings. Values: 0 … 179. */
        fieldOfView?: number | undefined;
      }
    | undefined;
  /** The destination of Home, if it is not the start: a saved game begins elsewhere. Null for the start. Default: `null`. */
  home?:
    | {
        /** Focus, in world units to the right; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
        x?: number | undefined;
        /** Focus, in world units downward; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
        y?: number | undefined;
        /** World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100. Values: 1e-6 … 1e12, or another unit. */
        span?: Span | undefined;
        /** Degrees clockwise, seen from above; 0 has screen-up along -y. Values: -1e6 … 1e6. Default: `0`. */
        heading?: number | undefined;
        /** Degrees that it looks down; what the zoom asks for when left out. Values: 1 … 90. */
        pitch?: number | undefined;
        /** Part of a pose, so that camera.shown can be a home; the height comes from the ground. Values: -1e12 … 1e12. */
        focusHeight?: number | undefined;
        /** Part of a pose, too; the lens comes from its own settings. Values: 0 … 179. */
        fieldOfView?: number | undefined;
      }
    | null
    | undefined;
  /** What is looked at. */
  ground?:
    | {
        /** The least height of anything on the ground, in world units; a terrain can only make it less. Nothing above it is clipped. Values: -1e12 … 1e12. Default: `0`. */
        lowest?: number | undefined;
        /** The greatest height of anything on the ground, in world units; a terrain can only make it greater. Nothing below it is clipped. Things up to a quarter of a span high are never clipped. Values: -1e12 … 1e12. Default: `0`. */
        highest?: number | undefined;
        /** How high above the ground the plane lies that the camera goes by, in world units: for games with storeys. A change eases. Values: -1e12 … 1e12. Default: `0`. */
        floor?: number | undefined;
        /** How far the eye stays above the terrain below it, in world units. Values: 0 … 1e12. Default: `2`. */
        clearance?: number | undefined;
        /** Seconds for the height of the focus to cover half of the way to that of the terrain. Values: 0 … 60. Default: `0.15`. */
        followHalfLife?: number | undefined;
        /** How far around the focus the terrain is smoothed for that, in spans. Values: 0 … 4. Default: `0.15`. */
        followRadius?: number | undefined;
      }
    | undefined;
  /** How far it looks down. */
  pitch?:
    | {
        /** 90 is straight down, 35.264 true isometric, 30 for tiles twice as wide as high. A number; a list of [span, degrees] stops with a smooth curve through them; or a switch between two values, {"near", "far", "at": span, "slack": share}. Values: 1 … 90; stops [span, the same]; or a switch {near, far, at, slack}. Default: `90`. */
        degrees?:
          | number
          | [Span, number][]
          | {
              near: number;

              far: number;

              at: Span;

              slack?: number | undefined;
            }
          | undefined;
        /** The flattest that the player or the zoom can make it. Values: 1 … 90. Default: `1`. */
        min?: number | undefined;
        /** The steepest that the player or the zoom can make it. Values: 1 … 90. Default: `90`. */
        max?: number | undefined;
        /** Seconds to cover half of the way to what the zoom or a tilt asks for; 0 is at once, and 0.05 while two fingers zoom. Values: 0 … 60. Default: `0.1`. */
        halfLife?: number | undefined;
        /** How fast held keys tilt, in degrees per second. Values: 0 … 3600. Default: `45`. */
        rate?: number | undefined;
        /** How far a drag over the height of the screen tilts, in degrees; below 0 the other way round. Values: -3600 … 3600. Default: `90`. */
        perScreen?: number | undefined;
      }
    | undefined;
  /** How the picture is made. */
  lens?:
    | {
        /** Vertical field of view of the whole screen in degrees, or what it is by zoom, as for the pitch; null for an orthographic lens. Values: 1 … 150; stops [span, the same]; or a switch {near, far, at, slack}, or null. Default: `null`. */
        fieldOfView?:
          | number
          | [Span, number][]
          | {
              near: number;

              far: number;

              at: Span;

              slack?: number | undefined;
            }
          | null
          | undefined;
        /** Zooms by the lens: the eye stays so far from the focus, in world units, and the field of view narrows. Instead of a field of view. Values: 1e-6 … 1e12, or null. Default: `null`. */
        distance?: number | null | undefined;
        /** Seconds to cover half of the way to the field of view that the zoom asks for; 0 is at once, and 0.05 while two fingers zoom. Values: 0 … 60. Default: `0.1`. */
        halfLife?: number | undefined;
      }
    | undefined;
  /** Turning. */
  turn?:
    | {
        /** The least heading, in degrees; null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
        min?: number | null | undefined;
        /** The greatest heading, in degrees; null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
        max?: number | null | undefined;
        /** Seconds to cover half of what is left of a turn; 0 is instant. Values: 0 … 60. Default: `0.09`. */
        halfLife?: number | undefined;
        /** How fast held keys turn, in degrees per second. Values: 0 … 3600. Default: `90`. */
        rate?: number | undefined;
        /** How many times faster they turn and tilt while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** How far one step turns, in degrees: 90 or 45 for tiles. Values: 0 … 360. Default: `90`. */
        step?: number | undefined;
        /** The only headings to rest at: every `step` degrees from `offset` on. A turn goes on to the nearest of them; null for any heading. Default: `null`. */
        stops?:
          | {
              /** Degrees from one of these headings to the next: 90 for tiles. Values: 0.1 … 360. */
              step: number;
              /** One of these headings, in degrees: 45 for tiles that are diamonds. Values: -360 … 360. Default: `0`. */
              offset?: number | undefined;
            }
          | null
          | undefined;
        /** How far a drag over the height of the screen turns, in degrees; below 0 the other way round. Values: -3600 … 3600. Default: `180`. */
        perScreen?: number | undefined;
        /** The point that an orbit turns and tilts about: the focus, the ground under the cursor where it was pressed, or the ground below the eye. With "eye", keys and steps turn about it too; else about the focus. Two fingers tilt about the point between them. Values: "focus", "cursor", "eye". Default: `"focus"`. */
        anchor?: 'focus' | 'cursor' | 'eye' | undefined;
      }
    | undefined;
  /** Moving by held keys. */
  pan?:
    | {
        /** Screen heights per second at the middle of the screen, or world units, as `pan.speedUnit` says; or a speed by zoom, as for the pitch. Values: 0 … 1e9; stops [span, the same]; or a switch {near, far, at, slack}. Default: `1`. */
        speed?:
          | number
          | [Span, number][]
          | {
              near: number;

              far: number;

              at: Span;

              slack?: number | undefined;
            }
          | undefined;
        /** The unit of the speed. World units per second are the same at every zoom, and even on the ground. Values: "screen-heights", "world-units". Default: `"screen-heights"`. */
        speedUnit?: 'screen-heights' | 'world-units' | undefined;
        /** Where the speed is the same in every direction: on the screen, or on the ground, which then goes by more slowly up and down a tilted screen. Values: "screen", "ground". Default: `"screen"`. */
        evenSpeedOn?: 'screen' | 'ground' | undefined;
        /** The directions of keys and sticks: up is up on the screen, or north in the world whatever the heading. Values: "screen", "world". Default: `"screen"`. */
        directions?: 'screen' | 'world' | undefined;
        /** How many times faster keys, sticks and edges pan while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** Seconds to cover half of the way to full speed; 0 starts at once. Values: 0 … 60. Default: `0.08`. */
        startHalfLife?: number | undefined;
        /** Seconds to lose half of the speed when the keys are let go; 0 stops at once. Values: 0 … 60. Default: `0.08`. */
        stopHalfLife?: number | undefined;
      }
    | undefined;
  /** Coming nearer and going farther. */
  zoom?:
    | {
        /** The nearest zoom, as a span in world units or in another unit; null for 12, or a nearer start. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
        minSpan?: Span | null | undefined;
        /** The farthest zoom, as a span in world units or in another unit; null for as far as the bounds reach, and 4096 without bounds. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
        maxSpan?: Span | null | undefined;
        /** The only zooms there are: each notch goes on to the next; null for any zoom. Values: a list of 1e-9 … 1e12, or null. Default: `null`. */
        stops?: number[] | null | undefined;
        /** The unit of the stops: spans in world units, CSS pixels per world unit, device pixels per world unit for pixel art, eye heights in world units, or fields of view in degrees. Values: "span", "pixels-per-unit", "device-pixels-per-unit", "eye-height", "field-of-view". Default: `"span"`. */
        stopUnit?: 'span' | 'pixels-per-unit' | 'device-pixels-per-unit' | 'eye-height' | 'field-of-view' | undefined;
        /** The factor of one wheel notch. Values: 1.001 … 16. Default: `1.1`. */
        notch?: number | undefined;
        /** How fast held keys zoom, in notches per second. Values: 0 … 1000. Default: `8`. */
        rate?: number | undefined;
        /** How many times faster they zoom while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** Seconds to cover half of what is left of a zoom; 0 is instant. Values: 0 … 60. Default: `0.09`. */
        halfLife?: number | undefined;
        /** How many notches nearer a drag upward over the height of the screen comes; below 0, farther. Values: -1000 … 1000. Default: `20`. */
        perScreen?: number | undefined;
        /** What stays where it is on the screen while zooming: the ground under the cursor, the focus, or the ground below the eye. Values: "cursor", "focus", "below-eye". Default: `"cursor"`. */
        anchor?: 'cursor' | 'focus' | 'below-eye' | undefined;
        /** The same while zooming out; null for the same anchor both ways. Values: "cursor", "focus", "below-eye", or null. Default: `null`. */
        outAnchor?: 'cursor' | 'focus' | 'below-eye' | null | undefined;
      }
    | undefined;
  /** What two fingers may do. */
  twoFingers?:
    | {
        /** Whether a twist turns the map; the presets for looks that can be turned say so. Values: true, false. Default: `false`. */
        turn?: boolean | undefined;
        /** Whether a pinch zooms. Values: true, false. Default: `true`. */
        zoom?: boolean | undefined;
        /** Whether two fingers that go up or down side by side tilt; then they neither pinch nor twist until one is lifted. Values: true, false. Default: `false`. */
        tilt?: boolean | undefined;
      }
    | undefined;
  /** The part of the screen that no panel covers. Focus and bounds are measured in it. */
  safeFrame?:
    | {
        /** How far panels reach in from the left, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        left?: number | undefined;
        /** How far panels reach in from the top, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        top?: number | undefined;
        /** How far panels reach in from the right, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        right?: number | undefined;
        /** How far panels reach in from the bottom, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        bottom?: number | undefined;
        /** Seconds to cover half of the way when they change; 0 is at once. Values: 0 … 60. Default: `0.08`. */
        halfLife?: number | undefined;
      }
    | undefined;
  /** What the view stays in: a rectangle (left, top, right, bottom), a circle, a polygon or an area, in world units; null for a world without an edge. The view is kept in the convex hull of a polygon or an area, the focus in the shape itself. Default: `null`. */
  bounds?:
    | {
        /** Least x of a rectangle. Values: -1e12 … 1e12. */
        left?: number | undefined;
        /** Least y of a rectangle. Values: -1e12 … 1e12. */
        top?: number | undefined;
        /** Greatest x of a rectangle. Values: -1e12 … 1e12. */
        right?: number | undefined;
        /** Greatest y of a rectangle. Values: -1e12 … 1e12. */
        bottom?: number | undefined;
        /** A circle. */
        circle?:
          | {
              /** Its middle. Values: -1e12 … 1e12. */
              x: number;
              /** Its middle. Values: -1e12 … 1e12. */
              y: number;
              /** Its radius. Values: 1e-6 … 1e12. */
              radius: number;
            }
          | undefined;
        /** The corners of a polygon, [x, y] each. Values: a list of [-1e12 … 1e12, -1e12 … 1e12]. */
        polygon?: [number, number][] | undefined;
        /** A GeoJSON polygon, multipolygon, feature or collection of features, in world units instead of degrees. */
        area?:
          | ({
              /** As in GeoJSON. Values: "Polygon", "MultiPolygon", "Feature", "FeatureCollection". */
              type: 'Polygon' | 'MultiPolygon' | 'Feature' | 'FeatureCollection';
            } & Record<string, unknown>)
          | undefined;
        /** What is kept inside: all that shows in the safe frame, or the focus alone. Values: "view", "focus". Default: `"view"`. */
        keep?: 'view' | 'focus' | undefined;
        /** What happens where the view is larger than the bounds: it is centred, or the zoom is limited so that this never is; null limits the zoom wherever no farthest zoom is given. Values: "centre", "limit-zoom", or null. Default: `null`. */
        whenViewIsLarger?: 'centre' | 'limit-zoom' | null | undefined;
        /** How far the view may reach over the edge, in world units; negative keeps it away. Values: -1e12 … 1e12. Default: `0`. */
        margin?: number | undefined;
        /** The same, as a share of the height of the safe frame. Values: -0.4 … 0.4. Default: `0`. */
        screenMargin?: number | undefined;
        /** How far a hand can pull the view over the edge at most, as a share of that height; 0 not at all. Values: 0 … 1. Default: `0`. */
        elastic?: number | undefined;
        /** Seconds to cover half of the way back when it lets go. Values: 0 … 60. Default: `0.08`. */
        returnHalfLife?: number | undefined;
      }
    | null
    | undefined;
  /** A world that repeats itself. */
  wrap?:
    | {
        /** After how many world units along x, counted from 0; null where it does not. Values: 1e-6 … 1e12, or null. Default: `null`. */
        x?: number | null | undefined;
        /** After how many world units along y, counted from 0; null where it does not. Values: 1e-6 … 1e12, or null. Default: `null`. */
        y?: number | null | undefined;
      }
    | undefined;
  /** A screen that changes its size. */
  resize?:
    | {
        /** What stays the same: the span, the width of ground that shows, or the scale in pixels per unit; null for the scale with an orthographic lens and the span with a perspective. A panel (`safeFrame`) never changes the scale. Values: "span", "width", "scale", or null. Default: `null`. */
        keep?: 'span' | 'width' | 'scale' | null | undefined;
      }
    | undefined;
  /** Panning while the pointer rests at an edge of the screen; `true` turns it on with the defaults, null turns it off. Default: `null`. */
  edge?:
    | {
        /** The width of each band that has none of its own. With null it is 0.03, or 20 if the unit is pixels; and 0 if another side is named. Values: 0 … 1000, or null. Default: `null`. */
        width?: number | null | undefined;
        /** The width of the band along the left side; 0 for no band. Values: 0 … 1000, or null. Default: `null`. */
        left?: number | null | undefined;
        /** The width of the band along the top. Values: 0 … 1000, or null. Default: `null`. */
        top?: number | null | undefined;
        /** The width of the band along the right side. Values: 0 … 1000, or null. Default: `null`. */
        right?: number | null | undefined;
        /** The width of the band along the bottom. Values: 0 … 1000, or null. Default: `null`. */
        bottom?: number | null | undefined;
        /** The unit of these widths: shares of the shorter side of the screen, or CSS pixels. Values: "share", "pixels". Default: `"share"`. */
        unit?: 'share' | 'pixels' | undefined;
        /** No band that is a share is wider than this, in CSS pixels. Values: 1 … 1000. Default: `40`. */
        maxWidth?: number | undefined;
        /** How speed grows with depth in the band: linear, from nothing at the inner side to all at the edge, or constant. Values: "linear", "constant". Default: `"linear"`. */
        speedByDepth?: 'linear' | 'constant' | undefined;
        /** How fast it pans at the very edge, in pan speeds. Values: 0 … 100. Default: `1`. */
        speed?: number | undefined;
        /** A factor of the speed for each side. */
        sideSpeeds?:
          | {
              /** The factor at the left side. Values: 0 … 100. Default: `1`. */
              left?: number | undefined;
              /** The factor at the top. Values: 0 … 100. Default: `1`. */
              top?: number | undefined;
              /** The factor at the right side. Values: 0 … 100. Default: `1`. */
              right?: number | undefined;
              /** The factor at the bottom. Values: 0 … 100. Default: `1`. */
              bottom?: number | undefined;
            }
          | undefined;
        /** The bands lie along the sides of the screen, or along those of the safe frame. Along the screen, the last 2 pixels pan over panels, too. Values: "screen", "safe-frame". Default: `"screen"`. */
        along?: 'screen' | 'safe-frame' | undefined;
        /** Seconds for which the pointer has to stay in a band before it pans. Values: 0 … 10. Default: `0.1`. */
        dwell?: number | undefined;
        /** What happens when the pointer leaves the window through a band: it stops, or goes on. Values: "stop", "go-on". Default: `"stop"`. */
        outside?: 'stop' | 'go-on' | undefined;
        /** Whether it goes on while the game drags something, such as a selection box. Values: true, false. Default: `true`. */
        duringGameDrag?: boolean | undefined;
      }
    | null
    | true
    | undefined;
  /** The wheel and two fingers on a trackpad. */
  wheel?:
    | {
        /** What it does: zoom, pan, or a wheel zooms and a trackpad pans. A pinch zooms always. Values: "zoom", "pan", "by-device". Default: `"zoom"`. */
        action?: 'zoom' | 'pan' | 'by-device' | undefined;
        /** What parts of a notch do: they apply at once, or are collected until they make a whole one. Values: "apply", "collect". Default: `"apply"`. */
        partialNotches?: 'apply' | 'collect' | undefined;
        /** On a page that scrolls: what the camera requires before it takes the wheel from it; nothing, the focus on the element, or a held Control. Values: "nothing", "focus", "control". Default: `"nothing"`. */
        requires?: 'nothing' | 'focus' | 'control' | undefined;
      }
    | undefined;
  /** Fingers and dragging buttons. */
  drag?:
    | {
        /** How far a button goes before it drags instead of clicking, in CSS pixels. Values: 0 … 100. Default: `4`. */
        startsAfter?: number | undefined;
        /** The same for a finger. Values: 0 … 100. Default: `10`. */
        touchStartsAfter?: number | undefined;
        /** How many fingers a drag needs. With "two-fingers", one finger scrolls the page, and two pan, pinch and twist. Values: "one-finger", "two-fingers". Default: `"one-finger"`. */
        touchRequires?: 'one-finger' | 'two-fingers' | undefined;
        /** Seconds in which a flung map loses half of its speed; 0 stops at once. Values: 0 … 60. Default: `0.25`. */
        glideHalfLife?: number | undefined;
        /** How far from where it was pressed a `pull` pans at the pan speed, as a share of the height of the screen; twice as far, twice as fast. Values: 0.01 … 10. Default: `0.25`. */
        pullDistance?: number | undefined;
        /** What goes on after a hand lets go in passing: the pan alone, or the zoom and the turn of two fingers as well. Values: "pan", "all". Default: `"pan"`. */
        keepsGoing?: 'pan' | 'all' | undefined;
        /** How much two fingers have to open or close before they zoom, as a share of their distance. Values: 0 … 1. Default: `0.05`. */
        pinchZone?: number | undefined;
        /** How far two fingers have to twist before they turn, in degrees. Values: 0 … 180. Default: `6`. */
        twistZone?: number | undefined;
        /** By how many notches a double tap comes nearer, and a tap of two fingers goes farther; 0 for neither. Values: 0 … 40. Default: `6`. */
        doubleTapNotches?: number | undefined;
      }
    | undefined;
  /** Pads with the standard mapping of the Gamepad API. */
  pad?:
    | {
        /** How far a stick or a trigger goes before it counts, as a share of its way; round, and all beyond begins at nothing. Values: 0 … 0.9. Default: `0.15`. */
        deadZone?: number | undefined;
        /** Speed grows with this power of how far a stick is pushed beyond that: 1 is evenly, more is finer near the middle. Values: 0.25 … 4. Default: `1.5`. */
        curve?: number | undefined;
      }
    | undefined;
  /** What the player cannot do now, such as in a cutscene; the program still can. Values: a list of "pan", "zoom", "turn", "tilt". Default: `[]`. */
  locked?: Listed<'pan' | 'zoom' | 'turn' | 'tilt'> | undefined;
  /** What goes the other way round for this player: the zoom of the wheel; turning, tilting, by dragging and by sticks. Keys are bound otherwise. Values: a list of "wheel", "turn", "tilt". Default: `[]`. */
  inverted?: Listed<'wheel' | 'turn' | 'tilt'> | undefined;
  /** Factors that players set. A drag has none, because the ground stays under the pointer. */
  sensitivity?:
    | {
        /** How far the wheel goes, also two fingers that scroll on a trackpad. Values: 0 … 100. Default: `1`. */
        wheel?: number | undefined;
        /** How far a pinch zooms; with 1, two fingers on a screen keep the ground that they touched. Values: 0 … 100. Default: `1`. */
        pinch?: number | undefined;
        /** How far an orbit turns and tilts. Values: 0 … 100. Default: `1`. */
        orbit?: number | undefined;
      }
    | undefined;
  /** Nothing eases or glides: zooms, turns and the way home are there at once. `listen` sets it as the system asks. Values: true, false. Default: `false`. */
  reducedMotion?: boolean | undefined;
  /** What asks for what: keys by their UI Events codes, MouseLeft, MouseMiddle, MouseRight, MouseBack, MouseForward, Touch, Pen, PenBarrel, PenEraser, WheelUp, WheelDown; of a pad PadLeftStickUp, …Down, …Left, …Right and the same of PadRightStick, PadLeftTrigger, PadRightTrigger, PadLeftShoulder, PadRightShoulder, PadFaceBottom, …Right, …Left, …Top, PadUp, …Down, …Left, …Right, PadSelect, PadStart, PadCentre, and PadLeftStick and PadRightStick for pressing a stick down; Shift, Control, Alt and Meta stand for either side; Space+MouseLeft is a button while a key is held. What is not named here is left to the page. */
  bindings?:
    | {
        /** Pans toward the top of the screen. Values: a list of inputs. Default: `["KeyW","ArrowUp","PadLeftStickUp"]`. */
        panUp?: Listed<Input> | undefined;
        /** Pans toward the left of the screen. Values: a list of inputs. Default: `["KeyA","ArrowLeft","PadLeftStickLeft"]`. */
        panLeft?: Listed<Input> | undefined;
        /** Pans toward the bottom of the screen. Values: a list of inputs. Default: `["KeyS","ArrowDown","PadLeftStickDown"]`. */
        panDown?: Listed<Input> | undefined;
        /** Pans toward the right of the screen. Values: a list of inputs. Default: `["KeyD","ArrowRight","PadLeftStickRight"]`. */
        panRight?: Listed<Input> | undefined;
        /** Makes held keys pan, zoom and turn faster while it is held, each by its own factor. Values: a list of inputs. Default: `["Shift"]`. */
        faster?: Listed<Input> | undefined;
        /** Turns the camera to the left while it is held. Values: a list of inputs. Default: `[]`. */
        turnLeft?: Listed<Input> | undefined;
        /** Turns the camera to the right while it is held. Values: a list of inputs. Default: `[]`. */
        turnRight?: Listed<Input> | undefined;
        /** Looks up, more along the ground, while it is held. Values: a list of inputs. Default: `[]`. */
        tiltUp?: Listed<Input> | undefined;
        /** Looks down, more from above, while it is held. Values: a list of inputs. Default: `[]`. */
        tiltDown?: Listed<Input> | undefined;
        /** Comes nearer while it is held; with stops, goes on by one. Values: a list of inputs. Default: `["Equal","NumpadAdd","PadRightTrigger"]`. */
        zoomIn?: Listed<Input> | undefined;
        /** Goes farther while it is held; with stops, goes on by one. Values: a list of inputs. Default: `["Minus","NumpadSubtract","PadLeftTrigger"]`. */
        zoomOut?: Listed<Input> | undefined;
        /** Turns to the left by a step. Values: a list of inputs. Default: `[]`. */
        turnStepLeft?: Listed<Input> | undefined;
        /** Turns to the right by a step. Values: a list of inputs. Default: `[]`. */
        turnStepRight?: Listed<Input> | undefined;
        /** Turns back until up is where it was at first, the short way round. Values: a list of inputs. Default: `[]`. */
        faceNorth?: Listed<Input> | undefined;
        /** Goes back to where the settings begin. Values: a list of inputs. Default: `["Home"]`. */
        home?: Listed<Input> | undefined;
        /** Holds the ground under the pointer; two fingers pinch and twist. Values: a list of inputs. Default: `["MouseMiddle","Touch"]`. */
        drag?: Listed<Input> | undefined;
        /** Pans for as long as it is held: toward where the pointer is from where it was pressed, the faster the farther. Values: a list of inputs. Default: `[]`. */
        pull?: Listed<Input> | undefined;
        /** Turns and tilts with the pointer, about `turn.anchor`. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
        orbit?: Listed<Input> | undefined;
        /** Turns with the pointer, and does not tilt. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
        dragTurn?: Listed<Input> | undefined;
        /** Zooms with the pointer: up comes nearer. `zoom.perScreen` says how far. Values: a list of inputs. Default: `[]`. */
        dragZoom?: Listed<Input> | undefined;
      }
    | undefined;
};

/** Settings with every default filled in. */
export type FullSettings = {
  /** Where this schema lies, so that editors can help. */
  $schema?: string | undefined;
  /** Where the camera begins. */
  start: {
    /** Focus, in world units to the right; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
    x?: number | undefined;
    /** Focus, in world units downward; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
    y?: number | undefined;
    /** World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100. It widens a zoom limit that you do not set. Values: 1e-6 … 1e12, or another unit. */
    span?: Span | undefined;
    /** Degrees clockwise, seen from above; 0 has screen-up along -y. Values: -1e6 … 1e6. Default: `0`. */
    heading: number;
    /** Degrees that it looks down; what the zoom asks for when left out. Values: 1 … 90. */
    pitch?: number | undefined;
    /** Part of a pose, so that camera.shown can be a start; the height comes from the ground. Values: -1e12 … 1e12. */
    focusHeight?: number | undefined;
    /** Part of a pose, too; the lens comes from its own settings. Values: 0 … 179. */
    fieldOfView?: number | undefined;
  };
  /** The destination of Home, if it is not the start: a saved game begins elsewhere. Null for the start. Default: `null`. */
  home: {
    /** Focus, in world units to the right; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
    x?: number | undefined;
    /** Focus, in world units downward; the middle of the bounds when left out, or 0. Values: -1e12 … 1e12. */
    y?: number | undefined;
    /** World units from the top to the bottom of the safe frame, or another unit; the height of the bounds when left out, or 100. Values: 1e-6 … 1e12, or another unit. */
    span?: Span | undefined;
    /** Degrees clockwise, seen from above; 0 has screen-up along -y. Values: -1e6 … 1e6. Default: `0`. */
    heading: number;
    /** Degrees that it looks down; what the zoom asks for when left out. Values: 1 … 90. */
    pitch?: number | undefined;
    /** Part of a pose, so that camera.shown can be a home; the height comes from the ground. Values: -1e12 … 1e12. */
    focusHeight?: number | undefined;
    /** Part of a pose, too; the lens comes from its own settings. Values: 0 … 179. */
    fieldOfView?: number | undefined;
  } | null;
  /** What is looked at. */
  ground: {
    /** The least height of anything on the ground, in world units; a terrain can only make it less. Nothing above it is clipped. Values: -1e12 … 1e12. Default: `0`. */
    lowest: number;
    /** The greatest height of anything on the ground, in world units; a terrain can only make it greater. Nothing below it is clipped. Things up to a quarter of a span high are never clipped. Values: -1e12 … 1e12. Default: `0`. */
    highest: number;
    /** How high above the ground the plane lies that the camera goes by, in world units: for games with storeys. A change eases. Values: -1e12 … 1e12. Default: `0`. */
    floor: number;
    /** How far the eye stays above the terrain below it, in world units. Values: 0 … 1e12. Default: `2`. */
    clearance: number;
    /** Seconds for the height of the focus to cover half of the way to that of the terrain. Values: 0 … 60. Default: `0.15`. */
    followHalfLife: number;
    /** How far around the focus the terrain is smoothed for that, in spans. Values: 0 … 4. Default: `0.15`. */
    followRadius: number;
  };
  /** How far it looks down. */
  pitch: {
    /** 90 is straight down, 35.264 true isometric, 30 for tiles twice as wide as high. A number; a list of [span, degrees] stops with a smooth curve through them; or a switch between two values, {"near", "far", "at": span, "slack": share}. Values: 1 … 90; stops [span, the same]; or a switch {near, far, at, slack}. Default: `90`. */
    degrees:
      | number
      | [Span, number][]
      | {
          near: number;

          far: number;

          at: Span;

          slack: number;
        };
    /** The flattest that the player or the zoom can make it. Values: 1 … 90. Default: `1`. */
    min: number;
    /** The steepest that the player or the zoom can make it. Values: 1 … 90. Default: `90`. */
    max: number;
    /** Seconds to cover half of the way to what the zoom or a tilt asks for; 0 is at once, and 0.05 while two fingers zoom. Values: 0 … 60. Default: `0.1`. */
    halfLife: number;
    /** How fast held keys tilt, in degrees per second. Values: 0 … 3600. Default: `45`. */
    rate: number;
    /** How far a drag over the height of the screen tilts, in degrees; below 0 the other way round. Values: -3600 … 3600. Default: `90`. */
    perScreen: number;
  };
  /** How the picture is made. */
  lens: {
    /** Vertical field of view of the whole screen in degrees, or what it is by zoom, as for the pitch; null for an orthographic lens. Values: 1 … 150; stops [span, the same]; or a switch {near, far, at, slack}, or null. Default: `null`. */
    fieldOfView:
      | number
      | [Span, number][]
      | {
          near: number;

          far: number;

          at: Span;

          slack: number;
        }
      | null;
    /** Zooms by the lens: the eye stays so far from the focus, in world units, and the field of view narrows. Instead of a field of view. Values: 1e-6 … 1e12, or null. Default: `null`. */
    distance: number | null;
    /** Seconds to cover half of the way to the field of view that the zoom asks for; 0 is at once, and 0.05 while two fingers zoom. Values: 0 … 60. Default: `0.1`. */
    halfLife: number;
  };
  /** Turning. */
  turn: {
    /** The least heading, in degrees; null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
    min: number | null;
    /** The greatest heading, in degrees; null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
    max: number | null;
    /** Seconds to cover half of what is left of a turn; 0 is instant. Values: 0 … 60. Default: `0.09`. */
    halfLife: number;
    /** How fast held keys turn, in degrees per second. Values: 0 … 3600. Default: `90`. */
    rate: number;
    /** How many times faster they turn and tilt while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** How far one step turns, in degrees: 90 or 45 for tiles. Values: 0 … 360. Default: `90`. */
    step: number;
    /** The only headings to rest at: every `step` degrees from `offset` on. A turn goes on to the nearest of them; null for any heading. Default: `null`. */
    stops: {
      /** Degrees from one of these headings to the next: 90 for tiles. Values: 0.1 … 360. */
      step: number;
      /** One of these headings, in degrees: 45 for tiles that are diamonds. Values: -360 … 360. Default: `0`. */
      offset: number;
    } | null;
    /** How far a drag over the height of the screen turns, in degrees; below 0 the other way round. Values: -3600 … 3600. Default: `180`. */
    perScreen: number;
    /** The point that an orbit turns and tilts about: the focus, the ground under the cursor where it was pressed, or the ground below the eye. With "eye", keys and steps turn about it too; else about the focus. Two fingers tilt about the point between them. Values: "focus", "cursor", "eye". Default: `"focus"`. */
    anchor: 'focus' | 'cursor' | 'eye';
  };
  /** Moving by held keys. */
  pan: {
    /** Screen heights per second at the middle of the screen, or world units, as `pan.speedUnit` says; or a speed by zoom, as for the pitch. Values: 0 … 1e9; stops [span, the same]; or a switch {near, far, at, slack}. Default: `1`. */
    speed:
      | number
      | [Span, number][]
      | {
          near: number;

          far: number;

          at: Span;

          slack: number;
        };
    /** The unit of the speed. World units per second are the same at every zoom, and even on the ground. Values: "screen-heights", "world-units". Default: `"screen-heights"`. */
    speedUnit: 'screen-heights' | 'world-units';
    /** Where the speed is the same in every direction: on the screen, or on the ground, which then goes by more slowly up and down a tilted screen. Values: "screen", "ground". Default: `"screen"`. */
    evenSpeedOn: 'screen' | 'ground';
    /** The directions of keys and sticks: up is up on the screen, or north in the world whatever the heading. Values: "screen", "world". Default: `"screen"`. */
    directions: 'screen' | 'world';
    /** How many times faster keys, sticks and edges pan while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** Seconds to cover half of the way to full speed; 0 starts at once. Values: 0 … 60. Default: `0.08`. */
    startHalfLife: number;
    /** Seconds to lose half of the speed when the keys are let go; 0 stops at once. Values: 0 … 60. Default: `0.08`. */
    stopHalfLife: number;
  };
  /** Coming nearer and going farther. */
  zoom: {
    /** The nearest zoom, as a span in world units or in another unit; null for 12, or a nearer start. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
    minSpan: Span | null;
    /** The farthest zoom, as a span in world units or in another unit; null for as far as the bounds reach, and 4096 without bounds. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
    maxSpan: Span | null;
    /** The only zooms there are: each notch goes on to the next; null for any zoom. Values: a list of 1e-9 … 1e12, or null. Default: `null`. */
    stops: number[] | null;
    /** The unit of the stops: spans in world units, CSS pixels per world unit, device pixels per world unit for pixel art, eye heights in world units, or fields of view in degrees. Values: "span", "pixels-per-unit", "device-pixels-per-unit", "eye-height", "field-of-view". Default: `"span"`. */
    stopUnit: 'span' | 'pixels-per-unit' | 'device-pixels-per-unit' | 'eye-height' | 'field-of-view';
    /** The factor of one wheel notch. Values: 1.001 … 16. Default: `1.1`. */
    notch: number;
    /** How fast held keys zoom, in notches per second. Values: 0 … 1000. Default: `8`. */
    rate: number;
    /** How many times faster they zoom while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** Seconds to cover half of what is left of a zoom; 0 is instant. Values: 0 … 60. Default: `0.09`. */
    halfLife: number;
    /** How many notches nearer a drag upward over the height of the screen comes; below 0, farther. Values: -1000 … 1000. Default: `20`. */
    perScreen: number;
    /** What stays where it is on the screen while zooming: the ground under the cursor, the focus, or the ground below the eye. Values: "cursor", "focus", "below-eye". Default: `"cursor"`. */
    anchor: 'cursor' | 'focus' | 'below-eye';
    /** The same while zooming out; null for the same anchor both ways. Values: "cursor", "focus", "below-eye", or null. Default: `null`. */
    outAnchor: 'cursor' | 'focus' | 'below-eye' | null;
  };
  /** What two fingers may do. */
  twoFingers: {
    /** Whether a twist turns the map; the presets for looks that can be turned say so. Values: true, false. Default: `false`. */
    turn: boolean;
    /** Whether a pinch zooms. Values: true, false. Default: `true`. */
    zoom: boolean;
    /** Whether two fingers that go up or down side by side tilt; then they neither pinch nor twist until one is lifted. Values: true, false. Default: `false`. */
    tilt: boolean;
  };
  /** The part of the screen that no panel covers. Focus and bounds are measured in it. */
  safeFrame: {
    /** How far panels reach in from the left, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    left: number;
    /** How far panels reach in from the top, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    top: number;
    /** How far panels reach in from the right, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    right: number;
    /** How far panels reach in from the bottom, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    bottom: number;
    /** Seconds to cover half of the way when they change; 0 is at once. Values: 0 … 60. Default: `0.08`. */
    halfLife: number;
  };
  /** What the view stays in: a rectangle (left, top, right, bottom), a circle, a polygon or an area, in world units; null for a world without an edge. The view is kept in the convex hull of a polygon or an area, the focus in the shape itself. Default: `null`. */
  bounds: {
    /** Least x of a rectangle. Values: -1e12 … 1e12. */
    left?: number | undefined;
    /** Least y of a rectangle. Values: -1e12 … 1e12. */
    top?: number | undefined;
    /** Greatest x of a rectangle. Values: -1e12 … 1e12. */
    right?: number | undefined;
    /** Greatest y of a rectangle. Values: -1e12 … 1e12. */
    bottom?: number | undefined;
    /** A circle. */
    circle?:
      | {
          /** Its middle. Values: -1e12 … 1e12. */
          x: number;
          /** Its middle. Values: -1e12 … 1e12. */
          y: number;
          /** Its radius. Values: 1e-6 … 1e12. */
          radius: number;
        }
      | undefined;
    /** The corners of a polygon, [x, y] each. Values: a list of [-1e12 … 1e12, -1e12 … 1e12]. */
    polygon?: [number, number][] | undefined;
    /** A GeoJSON polygon, multipolygon, feature or collection of features, in world units instead of degrees. */
    area?:
      | ({
          /** As in GeoJSON. Values: "Polygon", "MultiPolygon", "Feature", "FeatureCollection". */
          type: 'Polygon' | 'MultiPolygon' | 'Feature' | 'FeatureCollection';
        } & Record<string, unknown>)
      | undefined;
    /** What is kept inside: all that shows in the safe frame, or the focus alone. Values: "view", "focus". Default: `"view"`. */
    keep: 'view' | 'focus';
    /** What happens where the view is larger than the bounds: it is centred, or the zoom is limited so that this never is; null limits the zoom wherever no farthest zoom is given. Values: "centre", "limit-zoom", or null. Default: `null`. */
    whenViewIsLarger: 'centre' | 'limit-zoom' | null;
    /** How far the view may reach over the edge, in world units; negative keeps it away. Values: -1e12 … 1e12. Default: `0`. */
    margin: number;
    /** The same, as a share of the height of the safe frame. Values: -0.4 … 0.4. Default: `0`. */
    screenMargin: number;
    /** How far a hand can pull the view over the edge at most, as a share of that height; 0 not at all. Values: 0 … 1. Default: `0`. */
    elastic: number;
    /** Seconds to cover half of the way back when it lets go. Values: 0 … 60. Default: `0.08`. */
    returnHalfLife: number;
  } | null;
  /** A world that repeats itself. */
  wrap: {
    /** After how many world units along x, counted from 0; null where it does not. Values: 1e-6 … 1e12, or null. Default: `null`. */
    x: number | null;
    /** After how many world units along y, counted from 0; null where it does not. Values: 1e-6 … 1e12, or null. Default: `null`. */
    y: number | null;
  };
  /** A screen that changes its size. */
  resize: {
    /** What stays the same: the span, the width of ground that shows, or the scale in pixels per unit; null for the scale with an orthographic lens and the span with a perspective. A panel (`safeFrame`) never changes the scale. Values: "span", "width", "scale", or null. Default: `null`. */
    keep: 'span' | 'width' | 'scale' | null;
  };
  /** Panning while the pointer rests at an edge of the screen; `true` turns it on with the defaults, null turns it off. Default: `null`. */
  edge: {
    /** The width of each band that has none of its own. With null it is 0.03, or 20 if the unit is pixels; and 0 if another side is named. Values: 0 … 1000, or null. Default: `null`. */
    width: number | null;
    /** The width of the band along the left side; 0 for no band. Values: 0 … 1000, or null. Default: `null`. */
    left: number | null;
    /** The width of the band along the top. Values: 0 … 1000, or null. Default: `null`. */
    top: number | null;
    /** The width of the band along the right side. Values: 0 … 1000, or null. Default: `null`. */
    right: number | null;
    /** The width of the band along the bottom. Values: 0 … 1000, or null. Default: `null`. */
    bottom: number | null;
    /** The unit of these widths: shares of the shorter side of the screen, or CSS pixels. Values: "share", "pixels". Default: `"share"`. */
    unit: 'share' | 'pixels';
    /** No band that is a share is wider than this, in CSS pixels. Values: 1 … 1000. Default: `40`. */
    maxWidth: number;
    /** How speed grows with depth in the band: linear, from nothing at the inner side to all at the edge, or constant. Values: "linear", "constant". Default: `"linear"`. */
    speedByDepth: 'linear' | 'constant';
    /** How fast it pans at the very edge, in pan speeds. Values: 0 … 100. Default: `1`. */
    speed: number;
    /** A factor of the speed for each side. */
    sideSpeeds: {
      /** The factor at the left side. Values: 0 … 100. Default: `1`. */
      left: number;
      /** The factor at the top. Values: 0 … 100. Default: `1`. */
      top: number;
      /** The factor at the right side. Values: 0 … 100. Default: `1`. */
      right: number;
      /** The factor at the bottom. Values: 0 … 100. Default: `1`. */
      bottom: number;
    };
    /** The bands lie along the sides of the screen, or along those of the safe frame. Along the screen, the last 2 pixels pan over panels, too. Values: "screen", "safe-frame". Default: `"screen"`. */
    along: 'screen' | 'safe-frame';
    /** Seconds for which the pointer has to stay in a band before it pans. Values: 0 … 10. Default: `0.1`. */
    dwell: number;
    /** What happens when the pointer leaves the window through a band: it stops, or goes on. Values: "stop", "go-on". Default: `"stop"`. */
    outside: 'stop' | 'go-on';
    /** Whether it goes on while the game drags something, such as a selection box. Values: true, false. Default: `true`. */
    duringGameDrag: boolean;
  } | null;
  /** The wheel and two fingers on a trackpad. */
  wheel: {
    /** What it does: zoom, pan, or a wheel zooms and a trackpad pans. A pinch zooms always. Values: "zoom", "pan", "by-device". Default: `"zoom"`. */
    action: 'zoom' | 'pan' | 'by-device';
    /** What parts of a notch do: they apply at once, or are collected until they make a whole one. Values: "apply", "collect". Default: `"apply"`. */
    partialNotches: 'apply' | 'collect';
    /** On a page that scrolls: what the camera requires before it takes the wheel from it; nothing, the focus on the element, or a held Control. Values: "nothing", "focus", "control". Default: `"nothing"`. */
    requires: 'nothing' | 'focus' | 'control';
  };
  /** Fingers and dragging buttons. */
  drag: {
    /** How far a button goes before it drags instead of clicking, in CSS pixels. Values: 0 … 100. Default: `4`. */
    startsAfter: number;
    /** The same for a finger. Values: 0 … 100. Default: `10`. */
    touchStartsAfter: number;
    /** How many fingers a drag needs. With "two-fingers", one finger scrolls the page, and two pan, pinch and twist. Values: "one-finger", "two-fingers". Default: `"one-finger"`. */
    touchRequires: 'one-finger' | 'two-fingers';
    /** Seconds in which a flung map loses half of its speed; 0 stops at once. Values: 0 … 60. Default: `0.25`. */
    glideHalfLife: number;
    /** How far from where it was pressed a `pull` pans at the pan speed, as a share of the height of the screen; twice as far, twice as fast. Values: 0.01 … 10. Default: `0.25`. */
    pullDistance: number;
    /** What goes on after a hand lets go in passing: the pan alone, or the zoom and the turn of two fingers as well. Values: "pan", "all". Default: `"pan"`. */
    keepsGoing: 'pan' | 'all';
    /** How much two fingers have to open or close before they zoom, as a share of their distance. Values: 0 … 1. Default: `0.05`. */
    pinchZone: number;
    /** How far two fingers have to twist before they turn, in degrees. Values: 0 … 180. Default: `6`. */
    twistZone: number;
    /** By how many notches a double tap comes nearer, and a tap of two fingers goes farther; 0 for neither. Values: 0 … 40. Default: `6`. */
    doubleTapNotches: number;
  };
  /** Pads with the standard mapping of the Gamepad API. */
  pad: {
    /** How far a stick or a trigger goes before it counts, as a share of its way; round, and all beyond begins at nothing. Values: 0 … 0.9. Default: `0.15`. */
    deadZone: number;
    /** Speed grows with this power of how far a stick is pushed beyond that: 1 is evenly, more is finer near the middle. Values: 0.25 … 4. Default: `1.5`. */
    curve: number;
  };
  /** What the player cannot do now, such as in a cutscene; the program still can. Values: a list of "pan", "zoom", "turn", "tilt". Default: `[]`. */
  locked: ('pan' | 'zoom' | 'turn' | 'tilt')[];
  /** What goes the other way round for this player: the zoom of the wheel; turning, tilting, by dragging and by sticks. Keys are bound otherwise. Values: a list of "wheel", "turn", "tilt". Default: `[]`. */
  inverted: ('wheel' | 'turn' | 'tilt')[];
  /** Factors that players set. A drag has none, because the ground stays under the pointer. */
  sensitivity: {
    /** How far the wheel goes, also two fingers that scroll on a trackpad. Values: 0 … 100. Default: `1`. */
    wheel: number;
    /** How far a pinch zooms; with 1, two fingers on a screen keep the ground that they touched. Values: 0 … 100. Default: `1`. */
    pinch: number;
    /** How far an orbit turns and tilts. Values: 0 … 100. Default: `1`. */
    orbit: number;
  };
  /** Nothing eases or glides: zooms, turns and the way home are there at once. `listen` sets it as the system asks. Values: true, false. Default: `false`. */
  reducedMotion: boolean;
  /** What asks for what: keys by their UI Events codes, MouseLeft, MouseMiddle, MouseRight, MouseBack, MouseForward, Touch, Pen, PenBarrel, PenEraser, WheelUp, WheelDown; of a pad PadLeftStickUp, …Down, …Left, …Right and the same of PadRightStick, PadLeftTrigger, PadRightTrigger, PadLeftShoulder, PadRightShoulder, PadFaceBottom, …Right, …Left, …Top, PadUp, …Down, …Left, …Right, PadSelect, PadStart, PadCentre, and PadLeftStick and PadRightStick for pressing a stick down; Shift, Control, Alt and Meta stand for either side; Space+MouseLeft is a button while a key is held. What is not named here is left to the page. */
  bindings: {
    /** Pans toward the top of the screen. Values: a list of inputs. Default: `["KeyW","ArrowUp","PadLeftStickUp"]`. */
    panUp: string[];
    /** Pans toward the left of the screen. Values: a list of inputs. Default: `["KeyA","ArrowLeft","PadLeftStickLeft"]`. */
    panLeft: string[];
    /** Pans toward the bottom of the screen. Values: a list of inputs. Default: `["KeyS","ArrowDown","PadLeftStickDown"]`. */
    panDown: string[];
    /** Pans toward the right of the screen. Values: a list of inputs. Default: `["KeyD","ArrowRight","PadLeftStickRight"]`. */
    panRight: string[];
    /** Makes held keys pan, zoom and turn faster while it is held, each by its own factor. Values: a list of inputs. Default: `["Shift"]`. */
    faster: string[];
    /** Turns the camera to the left while it is held. Values: a list of inputs. Default: `[]`. */
    turnLeft: string[];
    /** Turns the camera to the right while it is held. Values: a list of inputs. Default: `[]`. */
    turnRight: string[];
    /** Looks up, more along the ground, while it is held. Values: a list of inputs. Default: `[]`. */
    tiltUp: string[];
    /** Looks down, more from above, while it is held. Values: a list of inputs. Default: `[]`. */
    tiltDown: string[];
    /** Comes nearer while it is held; with stops, goes on by one. Values: a list of inputs. Default: `["Equal","NumpadAdd","PadRightTrigger"]`. */
    zoomIn: string[];
    /** Goes farther while it is held; with stops, goes on by one. Values: a list of inputs. Default: `["Minus","NumpadSubtract","PadLeftTrigger"]`. */
    zoomOut: string[];
    /** Turns to the left by a step. Values: a list of inputs. Default: `[]`. */
    turnStepLeft: string[];
    /** Turns to the right by a step. Values: a list of inputs. Default: `[]`. */
    turnStepRight: string[];
    /** Turns back until up is where it was at first, the short way round. Values: a list of inputs. Default: `[]`. */
    faceNorth: string[];
    /** Goes back to where the settings begin. Values: a list of inputs. Default: `["Home"]`. */
    home: string[];
    /** Holds the ground under the pointer; two fingers pinch and twist. Values: a list of inputs. Default: `["MouseMiddle","Touch"]`. */
    drag: string[];
    /** Pans for as long as it is held: toward where the pointer is from where it was pressed, the faster the farther. Values: a list of inputs. Default: `[]`. */
    pull: string[];
    /** Turns and tilts with the pointer, about `turn.anchor`. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
    orbit: string[];
    /** Turns with the pointer, and does not tilt. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
    dragTurn: string[];
    /** Zooms with the pointer: up comes nearer. `zoom.perScreen` says how far. Values: a list of inputs. Default: `[]`. */
    dragZoom: string[];
  };
};

/** The bounds, with every default filled in. */
export type FullBounds = NonNullable<FullSettings['bounds']>;
