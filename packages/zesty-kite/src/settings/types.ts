/** The types of settings. Written by scripts/types.mjs from schema.ts and descriptions.ts; `npm run types-of-settings`. */
import type { Input, Listed } from './listed.ts';
import type { Span } from './zoomUnit.ts';

/* eslint-disable @typescript-eslint/consistent-type-definitions -- a type, unlike an interface, is a record too */

/** Settings as they are written, the settings of one camera: whatever is left out has its default. Lengths are world units, durations seconds. */
export type Settings = {
  /** The path of this schema, for editors. */
  $schema?: string | undefined;
  /** The first pose. */
  start?:
    | {
        /** The focus, in world units to the right. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
        x?: number | undefined;
        /** The focus, in world units downward. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
        y?: number | undefined;
        /** The world units from the top to the bottom of the safe frame, or another unit. Default: the height of the bounds, or 100. It widens zoom limits that you do not set. Values: 1e-6 … 1e12, or another unit. */
        span?: Span | undefined;
        /** The rotation in degrees, clockwise from above. At 0 the top of the screen is toward -y. Values: -1e6 … 1e6. Default: `0`. */
        heading?: number | undefined;
        /** The angle below the horizon, in degrees. Default: the pitch of that zoom. Values: 1 … 90. */
        pitch?: number | undefined;
        /** Ignored: the ground gives the height. It is here so that camera.shown is a valid start. Values: -1e12 … 1e12. */
        focusHeight?: number | undefined;
        /** Ignored: the lens has its own settings. It is here so that camera.shown is a valid start. Values: 0 … 179. */
        fieldOfView?: number | undefined;
      }
    | undefined;
  /** The pose that Home returns to. Null for the start. A saved game starts elsewhere. Default: `null`. */
  home?:
    | {
        /** The focus, in world units to the right. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
        x?: number | undefined;
        /** The focus, in world units downward. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
        y?: number | undefined;
        /** The world units from the top to the bottom of the safe frame, or another unit. Default: the height of the bounds, or 100. Values: 1e-6 … 1e12, or another unit. */
        span?: Span | undefined;
        /** The rotation in degrees, clockwise from above. At 0 the top of the screen is toward -y. Values: -1e6 … 1e6. Default: `0`. */
        heading?: number | undefined;
        /** The angle below the horizon, in degrees. Default: the pitch of that zoom. Values: 1 … 90. */
        pitch?: number | undefined;
        /** Ignored: the ground gives the height. It is here so that camera.shown is a valid home. Values: -1e12 … 1e12. */
        focusHeight?: number | undefined;
        /** Ignored: the lens has its own settings. It is here so that camera.shown is a valid home. Values: 0 … 179. */
        fieldOfView?: number | undefined;
      }
    | null
    | undefined;
  /** The ground under the camera. */
  ground?:
    | {
        /** The least height of things on the ground, in world units. Things above it are never clipped. Values: -1e12 … 1e12. Default: `0`. */
        lowest?: number | undefined;
        /** The greatest height of things on the ground, in world units. Things below it are never clipped, nor things up to a quarter of the span high. Values: -1e12 … 1e12. Default: `0`. */
        highest?: number | undefined;
        /** The height of the present storey above the ground, in world units. A change eases. Values: -1e12 … 1e12. Default: `0`. */
        floor?: number | undefined;
        /** The least height of the eye above the terrain, in world units. Values: 0 … 1e12. Default: `2`. */
        clearance?: number | undefined;
        /** Seconds until the focus has covered half of the way to the height of the terrain. Values: 0 … 60. Default: `0.15`. */
        followHalfLife?: number | undefined;
        /** The radius around the focus in which the terrain is averaged, in spans. Values: 0 … 4. Default: `0.15`. */
        followRadius?: number | undefined;
      }
    | undefined;
  /** The angle below the horizon. */
  pitch?:
    | {
        /** Degrees: 90 is straight down, 35.264 true isometric, 30 for two-to-one tiles. A number, a curve of [span, degrees] stops, or a switch. Values: 1 … 90; stops [span, the same]; or a switch {near, far, at, slack}. Default: `90`. */
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
        /** The flattest pitch, in degrees. Values: 1 … 90. Default: `1`. */
        min?: number | undefined;
        /** The steepest pitch, in degrees. Values: 1 … 90. Default: `90`. */
        max?: number | undefined;
        /** Seconds until half of a tilt is done. 0 is instant. While two fingers zoom, 0 counts as 0.05. Values: 0 … 60. Default: `0.1`. */
        halfLife?: number | undefined;
        /** The speed of tilting by held keys, in degrees per second. Values: 0 … 3600. Default: `45`. */
        rate?: number | undefined;
        /** The tilt of a drag over the height of the screen, in degrees. Below 0 it is inverted. Values: -3600 … 3600. Default: `90`. */
        perScreen?: number | undefined;
      }
    | undefined;
  /** The projection. */
  lens?:
    | {
        /** The vertical field of view of the whole screen, in degrees. A number, a curve, or a switch. Null for an orthographic lens. Values: 1 … 150; stops [span, the same]; or a switch {near, far, at, slack}, or null. Default: `null`. */
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
        /** The distance from the eye to the focus, in world units, for a lens that zooms. It replaces the field of view. Values: 1e-6 … 1e12, or null. Default: `null`. */
        distance?: number | null | undefined;
        /** Seconds until half of a change of the field of view is done. 0 is instant. While two fingers zoom, 0 counts as 0.05. Values: 0 … 60. Default: `0.1`. */
        halfLife?: number | undefined;
      }
    | undefined;
  /** Rotation about the vertical. */
  turn?:
    | {
        /** The least heading, in degrees. Null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
        min?: number | null | undefined;
        /** The greatest heading, in degrees. Null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
        max?: number | null | undefined;
        /** Seconds until half of a turn is done. 0 is instant. Values: 0 … 60. Default: `0.09`. */
        halfLife?: number | undefined;
        /** The speed of turning by held keys, in degrees per second. Values: 0 … 3600. Default: `90`. */
        rate?: number | undefined;
        /** The factor of turning and tilting while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** The angle of one step, in degrees: 90 or 45 for tiles. Values: 0 … 360. Default: `90`. */
        step?: number | undefined;
        /** The only headings at which the camera rests. Null for every heading. Default: `null`. */
        stops?:
          | {
              /** Degrees between two of these headings: 90 for tiles. Values: 0.1 … 360. */
              step: number;
              /** One of these headings, in degrees: 45 for diamond tiles. Values: -360 … 360. Default: `0`. */
              offset?: number | undefined;
            }
          | null
          | undefined;
        /** The turn of a drag over the height of the screen, in degrees. Below 0 it is inverted. Values: -3600 … 3600. Default: `180`. */
        perScreen?: number | undefined;
        /** The point that an orbit turns and tilts about: the focus, the ground under the cursor, or the ground below the eye. With "eye", keys turn about it, too. Values: "focus", "cursor", "eye". Default: `"focus"`. */
        anchor?: 'focus' | 'cursor' | 'eye' | undefined;
      }
    | undefined;
  /** Panning by keys, sticks and edges. */
  pan?:
    | {
        /** Screen heights per second in the middle of the screen, or world units per second. A number, a curve, or a switch. Values: 0 … 1e9; stops [span, the same]; or a switch {near, far, at, slack}. Default: `1`. */
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
        /** The unit of the speed. World units per second are the same at every zoom. Values: "screen-heights", "world-units". Default: `"screen-heights"`. */
        speedUnit?: 'screen-heights' | 'world-units' | undefined;
        /** The plane on which the speed is the same in every direction: the screen, or the ground. Values: "screen", "ground". Default: `"screen"`. */
        evenSpeedOn?: 'screen' | 'ground' | undefined;
        /** The directions of keys and sticks: up on the screen, or north in the world. Values: "screen", "world". Default: `"screen"`. */
        directions?: 'screen' | 'world' | undefined;
        /** The factor of panning while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** Seconds until half of the speed is reached. 0 is instant. Values: 0 … 60. Default: `0.08`. */
        startHalfLife?: number | undefined;
        /** Seconds until half of the speed is lost after the keys are released. 0 is instant. Values: 0 … 60. Default: `0.08`. */
        stopHalfLife?: number | undefined;
      }
    | undefined;
  /** Zooming. */
  zoom?:
    | {
        /** The nearest zoom, as a span. Null for 12, or for a nearer start. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
        minSpan?: Span | null | undefined;
        /** The farthest zoom, as a span. Null for the bounds, or for 4096 without bounds. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
        maxSpan?: Span | null | undefined;
        /** The only zooms at which the camera rests. A notch goes to the next one. Null for every zoom. Values: a list of 1e-9 … 1e12, or null. Default: `null`. */
        stops?: number[] | null | undefined;
        /** The unit of the stops: spans, CSS pixels per world unit, device pixels per world unit, eye heights, or fields of view. Values: "span", "pixels-per-unit", "device-pixels-per-unit", "eye-height", "field-of-view". Default: `"span"`. */
        stopUnit?: 'span' | 'pixels-per-unit' | 'device-pixels-per-unit' | 'eye-height' | 'field-of-view' | undefined;
        /** The factor of one wheel notch. Values: 1.001 … 16. Default: `1.1`. */
        notch?: number | undefined;
        /** The speed of zooming by held keys, in notches per second. Values: 0 … 1000. Default: `8`. */
        rate?: number | undefined;
        /** The factor of zooming while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
        fasterFactor?: number | undefined;
        /** Seconds until half of a zoom is done. 0 is instant. Values: 0 … 60. Default: `0.09`. */
        halfLife?: number | undefined;
        /** The notches of a drag up the height of the screen. Below 0 it is inverted. Values: -1000 … 1000. Default: `20`. */
        perScreen?: number | undefined;
        /** The point that stays in place: the ground under the cursor, the focus, or the ground below the eye. Values: "cursor", "focus", "below-eye". Default: `"cursor"`. */
        anchor?: 'cursor' | 'focus' | 'below-eye' | undefined;
        /** The anchor while zooming out. Null for the same anchor. Values: "cursor", "focus", "below-eye", or null. Default: `null`. */
        outAnchor?: 'cursor' | 'focus' | 'below-eye' | null | undefined;
      }
    | undefined;
  /** Gestures of two fingers. */
  twoFingers?:
    | {
        /** A twist turns the map. Presets with rotation set it. Values: true, false. Default: `false`. */
        turn?: boolean | undefined;
        /** A pinch zooms. Values: true, false. Default: `true`. */
        zoom?: boolean | undefined;
        /** Two fingers that move up or down together tilt. They do not pinch or twist until one lifts. Values: true, false. Default: `false`. */
        tilt?: boolean | undefined;
      }
    | undefined;
  /** The part of the screen that no panel covers. Focus and bounds are measured in it. */
  safeFrame?:
    | {
        /** The width of panels at the left, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        left?: number | undefined;
        /** The height of panels at the top, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        top?: number | undefined;
        /** The width of panels at the right, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        right?: number | undefined;
        /** The height of panels at the bottom, in CSS pixels. Values: 0 … 100000. Default: `0`. */
        bottom?: number | undefined;
        /** Seconds until half of a change is done. 0 is instant. Values: 0 … 60. Default: `0.08`. */
        halfLife?: number | undefined;
      }
    | undefined;
  /** The area that the view stays in: a rectangle, a circle, a polygon or an area, in world units. Null for a world without edges. Default: `null`. */
  bounds?:
    | {
        /** The least x of a rectangle. Values: -1e12 … 1e12. */
        left?: number | undefined;
        /** The least y of a rectangle. Values: -1e12 … 1e12. */
        top?: number | undefined;
        /** The greatest x of a rectangle. Values: -1e12 … 1e12. */
        right?: number | undefined;
        /** The greatest y of a rectangle. Values: -1e12 … 1e12. */
        bottom?: number | undefined;
        /** A circle. */
        circle?:
          | {
              /** The x of its centre. Values: -1e12 … 1e12. */
              x: number;
              /** The y of its centre. Values: -1e12 … 1e12. */
              y: number;
              /** Its radius. Values: 1e-6 … 1e12. */
              radius: number;
            }
          | undefined;
        /** The corners of a polygon, as [x, y]. Values: a list of [-1e12 … 1e12, -1e12 … 1e12]. */
        polygon?: [number, number][] | undefined;
        /** A GeoJSON polygon, multipolygon, feature or feature collection, in world units instead of degrees. */
        area?:
          | ({
              /** The GeoJSON type. Values: "Polygon", "MultiPolygon", "Feature", "FeatureCollection". */
              type: 'Polygon' | 'MultiPolygon' | 'Feature' | 'FeatureCollection';
            } & Record<string, unknown>)
          | undefined;
        /** The part that stays inside: the view in the convex hull of the shape, or the focus in the shape itself. Values: "view", "focus". Default: `"view"`. */
        keep?: 'view' | 'focus' | undefined;
        /** The rule for views larger than the bounds: centre them, or limit the zoom. Null limits the zoom if `zoom.maxSpan` is null. Values: "centre", "limit-zoom", or null. Default: `null`. */
        whenViewIsLarger?: 'centre' | 'limit-zoom' | null | undefined;
        /** The world units that the view may reach over the edge. Below 0 it stays away from the edge. Values: -1e12 … 1e12. Default: `0`. */
        margin?: number | undefined;
        /** The same, as a share of the height of the safe frame. Values: -0.4 … 0.4. Default: `0`. */
        screenMargin?: number | undefined;
        /** The distance that a hand can pull the view over the edge, as a share of the height of the safe frame. Values: 0 … 1. Default: `0`. */
        elastic?: number | undefined;
        /** Seconds until half of the way back is done after the hand lets go. Values: 0 … 60. Default: `0.08`. */
        returnHalfLife?: number | undefined;
      }
    | null
    | undefined;
  /** A world that repeats itself. */
  wrap?:
    | {
        /** The period along x, in world units from 0. Null for none. Values: 1e-6 … 1e12, or null. Default: `null`. */
        x?: number | null | undefined;
        /** The period along y, in world units from 0. Null for none. Values: 1e-6 … 1e12, or null. Default: `null`. */
        y?: number | null | undefined;
      }
    | undefined;
  /** Changes of the screen size. */
  resize?:
    | {
        /** The value that stays: the span, the visible width, or the scale. Null for the scale with an orthographic lens, and the span with a perspective. Values: "span", "width", "scale", or null. Default: `null`. */
        keep?: 'span' | 'width' | 'scale' | null | undefined;
      }
    | undefined;
  /** Panning while the pointer rests at an edge of the screen. `true` for the defaults, null for none. Default: `null`. */
  edge?:
    | {
        /** The width of every band without a width of its own. Null for 0.03, or 20 pixels; and 0 if another side is set. Values: 0 … 1000, or null. Default: `null`. */
        width?: number | null | undefined;
        /** The width of the band at the left. 0 for no band. Values: 0 … 1000, or null. Default: `null`. */
        left?: number | null | undefined;
        /** The width of the band at the top. Values: 0 … 1000, or null. Default: `null`. */
        top?: number | null | undefined;
        /** The width of the band at the right. Values: 0 … 1000, or null. Default: `null`. */
        right?: number | null | undefined;
        /** The width of the band at the bottom. Values: 0 … 1000, or null. Default: `null`. */
        bottom?: number | null | undefined;
        /** The unit of the widths: shares of the shorter side of the screen, or CSS pixels. Values: "share", "pixels". Default: `"share"`. */
        unit?: 'share' | 'pixels' | undefined;
        /** The greatest width of a band that is a share, in CSS pixels. Values: 1 … 1000. Default: `40`. */
        maxWidth?: number | undefined;
        /** The growth of the speed inside the band: linear from 0 at its inner side, or constant. Values: "linear", "constant". Default: `"linear"`. */
        speedByDepth?: 'linear' | 'constant' | undefined;
        /** The speed at the very edge, in pan speeds. Values: 0 … 100. Default: `1`. */
        speed?: number | undefined;
        /** A speed factor for each side. */
        sideSpeeds?:
          | {
              /** The factor at the left. Values: 0 … 100. Default: `1`. */
              left?: number | undefined;
              /** The factor at the top. Values: 0 … 100. Default: `1`. */
              top?: number | undefined;
              /** The factor at the right. Values: 0 … 100. Default: `1`. */
              right?: number | undefined;
              /** The factor at the bottom. Values: 0 … 100. Default: `1`. */
              bottom?: number | undefined;
            }
          | undefined;
        /** The place of the bands: the sides of the screen, or of the safe frame. Along the screen, the last 2 pixels pan over panels, too. Values: "screen", "safe-frame". Default: `"screen"`. */
        along?: 'screen' | 'safe-frame' | undefined;
        /** Seconds that the pointer rests in a band before it pans. Values: 0 … 10. Default: `0.1`. */
        dwell?: number | undefined;
        /** The effect of a pointer that leaves the window through a band: panning stops, or goes on. Values: "stop", "go-on". Default: `"stop"`. */
        outside?: 'stop' | 'go-on' | undefined;
        /** Edges pan while the game drags, such as a selection box. Values: true, false. Default: `true`. */
        duringGameDrag?: boolean | undefined;
      }
    | null
    | true
    | undefined;
  /** The wheel, and two fingers on a trackpad. */
  wheel?:
    | {
        /** The effect: zoom, pan, or zoom for a wheel and pan for a trackpad. A pinch always zooms. Values: "zoom", "pan", "by-device". Default: `"zoom"`. */
        action?: 'zoom' | 'pan' | 'by-device' | undefined;
        /** The effect of a part of a notch: it applies at once, or parts are collected to a notch. Values: "apply", "collect". Default: `"apply"`. */
        partialNotches?: 'apply' | 'collect' | undefined;
        /** The condition for taking the wheel from a page that scrolls: none, the focus on the element, or a held Control. Values: "nothing", "focus", "control". Default: `"nothing"`. */
        requires?: 'nothing' | 'focus' | 'control' | undefined;
      }
    | undefined;
  /** Drags by fingers and buttons. */
  drag?:
    | {
        /** CSS pixels until a button press becomes a drag. Values: 0 … 100. Default: `4`. */
        startsAfter?: number | undefined;
        /** CSS pixels until a touch becomes a drag. Values: 0 … 100. Default: `10`. */
        touchStartsAfter?: number | undefined;
        /** The number of fingers that a drag requires. With "two-fingers", one finger scrolls the page. Values: "one-finger", "two-fingers". Default: `"one-finger"`. */
        touchRequires?: 'one-finger' | 'two-fingers' | undefined;
        /** Seconds until a flung map loses half of its speed. 0 stops at once. Values: 0 … 60. Default: `0.25`. */
        glideHalfLife?: number | undefined;
        /** The distance at which a `pull` pans at the pan speed, as a share of the height of the screen. Values: 0.01 … 10. Default: `0.25`. */
        pullDistance?: number | undefined;
        /** The motion that goes on after a fling: the pan, or also the zoom and the turn of two fingers. Values: "pan", "all". Default: `"pan"`. */
        keepsGoing?: 'pan' | 'all' | undefined;
        /** The change of the distance of two fingers before they zoom, as a share of that distance. Values: 0 … 1. Default: `0.05`. */
        pinchZone?: number | undefined;
        /** The twist of two fingers before they turn, in degrees. Values: 0 … 180. Default: `6`. */
        twistZone?: number | undefined;
        /** The notches that a double tap zooms in, and a tap of two fingers zooms out. 0 for no effect. Values: 0 … 40. Default: `6`. */
        doubleTapNotches?: number | undefined;
      }
    | undefined;
  /** Gamepads with the standard mapping. */
  pad?:
    | {
        /** The share of the travel of a stick or a trigger that has no effect. It is round. Values: 0 … 0.9. Default: `0.15`. */
        deadZone?: number | undefined;
        /** The power of the speed beyond the dead zone. 1 is linear; more is finer near the middle. Values: 0.25 … 4. Default: `1.5`. */
        curve?: number | undefined;
      }
    | undefined;
  /** The abilities that the player does not have now, as in a cutscene. The program keeps them. Values: a list of "pan", "zoom", "turn", "tilt". Default: `[]`. */
  locked?: Listed<'pan' | 'zoom' | 'turn' | 'tilt'> | undefined;
  /** The inputs that are inverted for this player: the wheel, and turning and tilting by drags and sticks. Values: a list of "wheel", "turn", "tilt". Default: `[]`. */
  inverted?: Listed<'wheel' | 'turn' | 'tilt'> | undefined;
  /** Factors for players. A drag has none, because the ground stays under the pointer. */
  sensitivity?:
    | {
        /** The factor of the wheel and of scrolling on a trackpad. Values: 0 … 100. Default: `1`. */
        wheel?: number | undefined;
        /** The factor of a pinch. With 1, two fingers keep the ground that they touched. Values: 0 … 100. Default: `1`. */
        pinch?: number | undefined;
        /** The factor of an orbit. Values: 0 … 100. Default: `1`. */
        orbit?: number | undefined;
      }
    | undefined;
  /** Nothing eases or glides. `listen` sets it from the preference of the system. Values: true, false. Default: `false`. */
  reducedMotion?: boolean | undefined;
  /** The inputs of each ability: UI Events codes such as "KeyW", mouse buttons, Touch, Pen, WheelUp, WheelDown, and pad inputs such as "PadLeftStickUp". "Space+MouseLeft" needs the key held. Other inputs are left to the page. */
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
        /** Multiplies the speed of held keys while it is held. Values: a list of inputs. Default: `["Shift"]`. */
        faster?: Listed<Input> | undefined;
        /** Turns the camera to the left while it is held. Values: a list of inputs. Default: `[]`. */
        turnLeft?: Listed<Input> | undefined;
        /** Turns the camera to the right while it is held. Values: a list of inputs. Default: `[]`. */
        turnRight?: Listed<Input> | undefined;
        /** Tilts up, toward the horizon, while it is held. Values: a list of inputs. Default: `[]`. */
        tiltUp?: Listed<Input> | undefined;
        /** Tilts down, toward the ground, while it is held. Values: a list of inputs. Default: `[]`. */
        tiltDown?: Listed<Input> | undefined;
        /** Zooms in while it is held. With stops, each press goes to the next. Values: a list of inputs. Default: `["Equal","NumpadAdd","PadRightTrigger"]`. */
        zoomIn?: Listed<Input> | undefined;
        /** Zooms out while it is held. With stops, each press goes to the next. Values: a list of inputs. Default: `["Minus","NumpadSubtract","PadLeftTrigger"]`. */
        zoomOut?: Listed<Input> | undefined;
        /** Turns to the left by one step. Values: a list of inputs. Default: `[]`. */
        turnStepLeft?: Listed<Input> | undefined;
        /** Turns to the right by one step. Values: a list of inputs. Default: `[]`. */
        turnStepRight?: Listed<Input> | undefined;
        /** Turns to the heading of the start, the short way. Values: a list of inputs. Default: `[]`. */
        faceNorth?: Listed<Input> | undefined;
        /** Returns to the home pose. Values: a list of inputs. Default: `["Home"]`. */
        home?: Listed<Input> | undefined;
        /** Holds the ground under the pointer. Two fingers pinch and twist. Values: a list of inputs. Default: `["MouseMiddle","Touch"]`. */
        drag?: Listed<Input> | undefined;
        /** Pans toward the pointer while it is held, faster with the distance from the press. Values: a list of inputs. Default: `[]`. */
        pull?: Listed<Input> | undefined;
        /** Turns and tilts with the pointer about `turn.anchor`. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
        orbit?: Listed<Input> | undefined;
        /** Turns with the pointer. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
        dragTurn?: Listed<Input> | undefined;
        /** Zooms with the pointer: up zooms in. Values: a list of inputs. Default: `[]`. */
        dragZoom?: Listed<Input> | undefined;
      }
    | undefined;
};

/** Settings with every default filled in. */
export type FullSettings = {
  /** The path of this schema, for editors. */
  $schema?: string | undefined;
  /** The first pose. */
  start: {
    /** The focus, in world units to the right. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
    x?: number | undefined;
    /** The focus, in world units downward. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
    y?: number | undefined;
    /** The world units from the top to the bottom of the safe frame, or another unit. Default: the height of the bounds, or 100. It widens zoom limits that you do not set. Values: 1e-6 … 1e12, or another unit. */
    span?: Span | undefined;
    /** The rotation in degrees, clockwise from above. At 0 the top of the screen is toward -y. Values: -1e6 … 1e6. Default: `0`. */
    heading: number;
    /** The angle below the horizon, in degrees. Default: the pitch of that zoom. Values: 1 … 90. */
    pitch?: number | undefined;
    /** Ignored: the ground gives the height. It is here so that camera.shown is a valid start. Values: -1e12 … 1e12. */
    focusHeight?: number | undefined;
    /** Ignored: the lens has its own settings. It is here so that camera.shown is a valid start. Values: 0 … 179. */
    fieldOfView?: number | undefined;
  };
  /** The pose that Home returns to. Null for the start. A saved game starts elsewhere. Default: `null`. */
  home: {
    /** The focus, in world units to the right. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
    x?: number | undefined;
    /** The focus, in world units downward. Default: the middle of the bounds, or 0. Values: -1e12 … 1e12. */
    y?: number | undefined;
    /** The world units from the top to the bottom of the safe frame, or another unit. Default: the height of the bounds, or 100. Values: 1e-6 … 1e12, or another unit. */
    span?: Span | undefined;
    /** The rotation in degrees, clockwise from above. At 0 the top of the screen is toward -y. Values: -1e6 … 1e6. Default: `0`. */
    heading: number;
    /** The angle below the horizon, in degrees. Default: the pitch of that zoom. Values: 1 … 90. */
    pitch?: number | undefined;
    /** Ignored: the ground gives the height. It is here so that camera.shown is a valid home. Values: -1e12 … 1e12. */
    focusHeight?: number | undefined;
    /** Ignored: the lens has its own settings. It is here so that camera.shown is a valid home. Values: 0 … 179. */
    fieldOfView?: number | undefined;
  } | null;
  /** The ground under the camera. */
  ground: {
    /** The least height of things on the ground, in world units. Things above it are never clipped. Values: -1e12 … 1e12. Default: `0`. */
    lowest: number;
    /** The greatest height of things on the ground, in world units. Things below it are never clipped, nor things up to a quarter of the span high. Values: -1e12 … 1e12. Default: `0`. */
    highest: number;
    /** The height of the present storey above the ground, in world units. A change eases. Values: -1e12 … 1e12. Default: `0`. */
    floor: number;
    /** The least height of the eye above the terrain, in world units. Values: 0 … 1e12. Default: `2`. */
    clearance: number;
    /** Seconds until the focus has covered half of the way to the height of the terrain. Values: 0 … 60. Default: `0.15`. */
    followHalfLife: number;
    /** The radius around the focus in which the terrain is averaged, in spans. Values: 0 … 4. Default: `0.15`. */
    followRadius: number;
  };
  /** The angle below the horizon. */
  pitch: {
    /** Degrees: 90 is straight down, 35.264 true isometric, 30 for two-to-one tiles. A number, a curve of [span, degrees] stops, or a switch. Values: 1 … 90; stops [span, the same]; or a switch {near, far, at, slack}. Default: `90`. */
    degrees:
      | number
      | [Span, number][]
      | {
          near: number;

          far: number;

          at: Span;

          slack: number;
        };
    /** The flattest pitch, in degrees. Values: 1 … 90. Default: `1`. */
    min: number;
    /** The steepest pitch, in degrees. Values: 1 … 90. Default: `90`. */
    max: number;
    /** Seconds until half of a tilt is done. 0 is instant. While two fingers zoom, 0 counts as 0.05. Values: 0 … 60. Default: `0.1`. */
    halfLife: number;
    /** The speed of tilting by held keys, in degrees per second. Values: 0 … 3600. Default: `45`. */
    rate: number;
    /** The tilt of a drag over the height of the screen, in degrees. Below 0 it is inverted. Values: -3600 … 3600. Default: `90`. */
    perScreen: number;
  };
  /** The projection. */
  lens: {
    /** The vertical field of view of the whole screen, in degrees. A number, a curve, or a switch. Null for an orthographic lens. Values: 1 … 150; stops [span, the same]; or a switch {near, far, at, slack}, or null. Default: `null`. */
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
    /** The distance from the eye to the focus, in world units, for a lens that zooms. It replaces the field of view. Values: 1e-6 … 1e12, or null. Default: `null`. */
    distance: number | null;
    /** Seconds until half of a change of the field of view is done. 0 is instant. While two fingers zoom, 0 counts as 0.05. Values: 0 … 60. Default: `0.1`. */
    halfLife: number;
  };
  /** Rotation about the vertical. */
  turn: {
    /** The least heading, in degrees. Null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
    min: number | null;
    /** The greatest heading, in degrees. Null for no limit. Values: -1e6 … 1e6, or null. Default: `null`. */
    max: number | null;
    /** Seconds until half of a turn is done. 0 is instant. Values: 0 … 60. Default: `0.09`. */
    halfLife: number;
    /** The speed of turning by held keys, in degrees per second. Values: 0 … 3600. Default: `90`. */
    rate: number;
    /** The factor of turning and tilting while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** The angle of one step, in degrees: 90 or 45 for tiles. Values: 0 … 360. Default: `90`. */
    step: number;
    /** The only headings at which the camera rests. Null for every heading. Default: `null`. */
    stops: {
      /** Degrees between two of these headings: 90 for tiles. Values: 0.1 … 360. */
      step: number;
      /** One of these headings, in degrees: 45 for diamond tiles. Values: -360 … 360. Default: `0`. */
      offset: number;
    } | null;
    /** The turn of a drag over the height of the screen, in degrees. Below 0 it is inverted. Values: -3600 … 3600. Default: `180`. */
    perScreen: number;
    /** The point that an orbit turns and tilts about: the focus, the ground under the cursor, or the ground below the eye. With "eye", keys turn about it, too. Values: "focus", "cursor", "eye". Default: `"focus"`. */
    anchor: 'focus' | 'cursor' | 'eye';
  };
  /** Panning by keys, sticks and edges. */
  pan: {
    /** Screen heights per second in the middle of the screen, or world units per second. A number, a curve, or a switch. Values: 0 … 1e9; stops [span, the same]; or a switch {near, far, at, slack}. Default: `1`. */
    speed:
      | number
      | [Span, number][]
      | {
          near: number;

          far: number;

          at: Span;

          slack: number;
        };
    /** The unit of the speed. World units per second are the same at every zoom. Values: "screen-heights", "world-units". Default: `"screen-heights"`. */
    speedUnit: 'screen-heights' | 'world-units';
    /** The plane on which the speed is the same in every direction: the screen, or the ground. Values: "screen", "ground". Default: `"screen"`. */
    evenSpeedOn: 'screen' | 'ground';
    /** The directions of keys and sticks: up on the screen, or north in the world. Values: "screen", "world". Default: `"screen"`. */
    directions: 'screen' | 'world';
    /** The factor of panning while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** Seconds until half of the speed is reached. 0 is instant. Values: 0 … 60. Default: `0.08`. */
    startHalfLife: number;
    /** Seconds until half of the speed is lost after the keys are released. 0 is instant. Values: 0 … 60. Default: `0.08`. */
    stopHalfLife: number;
  };
  /** Zooming. */
  zoom: {
    /** The nearest zoom, as a span. Null for 12, or for a nearer start. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
    minSpan: Span | null;
    /** The farthest zoom, as a span. Null for the bounds, or for 4096 without bounds. Values: 1e-6 … 1e12, or another unit, or null. Default: `null`. */
    maxSpan: Span | null;
    /** The only zooms at which the camera rests. A notch goes to the next one. Null for every zoom. Values: a list of 1e-9 … 1e12, or null. Default: `null`. */
    stops: number[] | null;
    /** The unit of the stops: spans, CSS pixels per world unit, device pixels per world unit, eye heights, or fields of view. Values: "span", "pixels-per-unit", "device-pixels-per-unit", "eye-height", "field-of-view". Default: `"span"`. */
    stopUnit: 'span' | 'pixels-per-unit' | 'device-pixels-per-unit' | 'eye-height' | 'field-of-view';
    /** The factor of one wheel notch. Values: 1.001 … 16. Default: `1.1`. */
    notch: number;
    /** The speed of zooming by held keys, in notches per second. Values: 0 … 1000. Default: `8`. */
    rate: number;
    /** The factor of zooming while a key of `faster` is held. Values: 0 … 100. Default: `2`. */
    fasterFactor: number;
    /** Seconds until half of a zoom is done. 0 is instant. Values: 0 … 60. Default: `0.09`. */
    halfLife: number;
    /** The notches of a drag up the height of the screen. Below 0 it is inverted. Values: -1000 … 1000. Default: `20`. */
    perScreen: number;
    /** The point that stays in place: the ground under the cursor, the focus, or the ground below the eye. Values: "cursor", "focus", "below-eye". Default: `"cursor"`. */
    anchor: 'cursor' | 'focus' | 'below-eye';
    /** The anchor while zooming out. Null for the same anchor. Values: "cursor", "focus", "below-eye", or null. Default: `null`. */
    outAnchor: 'cursor' | 'focus' | 'below-eye' | null;
  };
  /** Gestures of two fingers. */
  twoFingers: {
    /** A twist turns the map. Presets with rotation set it. Values: true, false. Default: `false`. */
    turn: boolean;
    /** A pinch zooms. Values: true, false. Default: `true`. */
    zoom: boolean;
    /** Two fingers that move up or down together tilt. They do not pinch or twist until one lifts. Values: true, false. Default: `false`. */
    tilt: boolean;
  };
  /** The part of the screen that no panel covers. Focus and bounds are measured in it. */
  safeFrame: {
    /** The width of panels at the left, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    left: number;
    /** The height of panels at the top, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    top: number;
    /** The width of panels at the right, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    right: number;
    /** The height of panels at the bottom, in CSS pixels. Values: 0 … 100000. Default: `0`. */
    bottom: number;
    /** Seconds until half of a change is done. 0 is instant. Values: 0 … 60. Default: `0.08`. */
    halfLife: number;
  };
  /** The area that the view stays in: a rectangle, a circle, a polygon or an area, in world units. Null for a world without edges. Default: `null`. */
  bounds: {
    /** The least x of a rectangle. Values: -1e12 … 1e12. */
    left?: number | undefined;
    /** The least y of a rectangle. Values: -1e12 … 1e12. */
    top?: number | undefined;
    /** The greatest x of a rectangle. Values: -1e12 … 1e12. */
    right?: number | undefined;
    /** The greatest y of a rectangle. Values: -1e12 … 1e12. */
    bottom?: number | undefined;
    /** A circle. */
    circle?:
      | {
          /** The x of its centre. Values: -1e12 … 1e12. */
          x: number;
          /** The y of its centre. Values: -1e12 … 1e12. */
          y: number;
          /** Its radius. Values: 1e-6 … 1e12. */
          radius: number;
        }
      | undefined;
    /** The corners of a polygon, as [x, y]. Values: a list of [-1e12 … 1e12, -1e12 … 1e12]. */
    polygon?: [number, number][] | undefined;
    /** A GeoJSON polygon, multipolygon, feature or feature collection, in world units instead of degrees. */
    area?:
      | ({
          /** The GeoJSON type. Values: "Polygon", "MultiPolygon", "Feature", "FeatureCollection". */
          type: 'Polygon' | 'MultiPolygon' | 'Feature' | 'FeatureCollection';
        } & Record<string, unknown>)
      | undefined;
    /** The part that stays inside: the view in the convex hull of the shape, or the focus in the shape itself. Values: "view", "focus". Default: `"view"`. */
    keep: 'view' | 'focus';
    /** The rule for views larger than the bounds: centre them, or limit the zoom. Null limits the zoom if `zoom.maxSpan` is null. Values: "centre", "limit-zoom", or null. Default: `null`. */
    whenViewIsLarger: 'centre' | 'limit-zoom' | null;
    /** The world units that the view may reach over the edge. Below 0 it stays away from the edge. Values: -1e12 … 1e12. Default: `0`. */
    margin: number;
    /** The same, as a share of the height of the safe frame. Values: -0.4 … 0.4. Default: `0`. */
    screenMargin: number;
    /** The distance that a hand can pull the view over the edge, as a share of the height of the safe frame. Values: 0 … 1. Default: `0`. */
    elastic: number;
    /** Seconds until half of the way back is done after the hand lets go. Values: 0 … 60. Default: `0.08`. */
    returnHalfLife: number;
  } | null;
  /** A world that repeats itself. */
  wrap: {
    /** The period along x, in world units from 0. Null for none. Values: 1e-6 … 1e12, or null. Default: `null`. */
    x: number | null;
    /** The period along y, in world units from 0. Null for none. Values: 1e-6 … 1e12, or null. Default: `null`. */
    y: number | null;
  };
  /** Changes of the screen size. */
  resize: {
    /** The value that stays: the span, the visible width, or the scale. Null for the scale with an orthographic lens, and the span with a perspective. Values: "span", "width", "scale", or null. Default: `null`. */
    keep: 'span' | 'width' | 'scale' | null;
  };
  /** Panning while the pointer rests at an edge of the screen. `true` for the defaults, null for none. Default: `null`. */
  edge: {
    /** The width of every band without a width of its own. Null for 0.03, or 20 pixels; and 0 if another side is set. Values: 0 … 1000, or null. Default: `null`. */
    width: number | null;
    /** The width of the band at the left. 0 for no band. Values: 0 … 1000, or null. Default: `null`. */
    left: number | null;
    /** The width of the band at the top. Values: 0 … 1000, or null. Default: `null`. */
    top: number | null;
    /** The width of the band at the right. Values: 0 … 1000, or null. Default: `null`. */
    right: number | null;
    /** The width of the band at the bottom. Values: 0 … 1000, or null. Default: `null`. */
    bottom: number | null;
    /** The unit of the widths: shares of the shorter side of the screen, or CSS pixels. Values: "share", "pixels". Default: `"share"`. */
    unit: 'share' | 'pixels';
    /** The greatest width of a band that is a share, in CSS pixels. Values: 1 … 1000. Default: `40`. */
    maxWidth: number;
    /** The growth of the speed inside the band: linear from 0 at its inner side, or constant. Values: "linear", "constant". Default: `"linear"`. */
    speedByDepth: 'linear' | 'constant';
    /** The speed at the very edge, in pan speeds. Values: 0 … 100. Default: `1`. */
    speed: number;
    /** A speed factor for each side. */
    sideSpeeds: {
      /** The factor at the left. Values: 0 … 100. Default: `1`. */
      left: number;
      /** The factor at the top. Values: 0 … 100. Default: `1`. */
      top: number;
      /** The factor at the right. Values: 0 … 100. Default: `1`. */
      right: number;
      /** The factor at the bottom. Values: 0 … 100. Default: `1`. */
      bottom: number;
    };
    /** The place of the bands: the sides of the screen, or of the safe frame. Along the screen, the last 2 pixels pan over panels, too. Values: "screen", "safe-frame". Default: `"screen"`. */
    along: 'screen' | 'safe-frame';
    /** Seconds that the pointer rests in a band before it pans. Values: 0 … 10. Default: `0.1`. */
    dwell: number;
    /** The effect of a pointer that leaves the window through a band: panning stops, or goes on. Values: "stop", "go-on". Default: `"stop"`. */
    outside: 'stop' | 'go-on';
    /** Edges pan while the game drags, such as a selection box. Values: true, false. Default: `true`. */
    duringGameDrag: boolean;
  } | null;
  /** The wheel, and two fingers on a trackpad. */
  wheel: {
    /** The effect: zoom, pan, or zoom for a wheel and pan for a trackpad. A pinch always zooms. Values: "zoom", "pan", "by-device". Default: `"zoom"`. */
    action: 'zoom' | 'pan' | 'by-device';
    /** The effect of a part of a notch: it applies at once, or parts are collected to a notch. Values: "apply", "collect". Default: `"apply"`. */
    partialNotches: 'apply' | 'collect';
    /** The condition for taking the wheel from a page that scrolls: none, the focus on the element, or a held Control. Values: "nothing", "focus", "control". Default: `"nothing"`. */
    requires: 'nothing' | 'focus' | 'control';
  };
  /** Drags by fingers and buttons. */
  drag: {
    /** CSS pixels until a button press becomes a drag. Values: 0 … 100. Default: `4`. */
    startsAfter: number;
    /** CSS pixels until a touch becomes a drag. Values: 0 … 100. Default: `10`. */
    touchStartsAfter: number;
    /** The number of fingers that a drag requires. With "two-fingers", one finger scrolls the page. Values: "one-finger", "two-fingers". Default: `"one-finger"`. */
    touchRequires: 'one-finger' | 'two-fingers';
    /** Seconds until a flung map loses half of its speed. 0 stops at once. Values: 0 … 60. Default: `0.25`. */
    glideHalfLife: number;
    /** The distance at which a `pull` pans at the pan speed, as a share of the height of the screen. Values: 0.01 … 10. Default: `0.25`. */
    pullDistance: number;
    /** The motion that goes on after a fling: the pan, or also the zoom and the turn of two fingers. Values: "pan", "all". Default: `"pan"`. */
    keepsGoing: 'pan' | 'all';
    /** The change of the distance of two fingers before they zoom, as a share of that distance. Values: 0 … 1. Default: `0.05`. */
    pinchZone: number;
    /** The twist of two fingers before they turn, in degrees. Values: 0 … 180. Default: `6`. */
    twistZone: number;
    /** The notches that a double tap zooms in, and a tap of two fingers zooms out. 0 for no effect. Values: 0 … 40. Default: `6`. */
    doubleTapNotches: number;
  };
  /** Gamepads with the standard mapping. */
  pad: {
    /** The share of the travel of a stick or a trigger that has no effect. It is round. Values: 0 … 0.9. Default: `0.15`. */
    deadZone: number;
    /** The power of the speed beyond the dead zone. 1 is linear; more is finer near the middle. Values: 0.25 … 4. Default: `1.5`. */
    curve: number;
  };
  /** The abilities that the player does not have now, as in a cutscene. The program keeps them. Values: a list of "pan", "zoom", "turn", "tilt". Default: `[]`. */
  locked: ('pan' | 'zoom' | 'turn' | 'tilt')[];
  /** The inputs that are inverted for this player: the wheel, and turning and tilting by drags and sticks. Values: a list of "wheel", "turn", "tilt". Default: `[]`. */
  inverted: ('wheel' | 'turn' | 'tilt')[];
  /** Factors for players. A drag has none, because the ground stays under the pointer. */
  sensitivity: {
    /** The factor of the wheel and of scrolling on a trackpad. Values: 0 … 100. Default: `1`. */
    wheel: number;
    /** The factor of a pinch. With 1, two fingers keep the ground that they touched. Values: 0 … 100. Default: `1`. */
    pinch: number;
    /** The factor of an orbit. Values: 0 … 100. Default: `1`. */
    orbit: number;
  };
  /** Nothing eases or glides. `listen` sets it from the preference of the system. Values: true, false. Default: `false`. */
  reducedMotion: boolean;
  /** The inputs of each ability: UI Events codes such as "KeyW", mouse buttons, Touch, Pen, WheelUp, WheelDown, and pad inputs such as "PadLeftStickUp". "Space+MouseLeft" needs the key held. Other inputs are left to the page. */
  bindings: {
    /** Pans toward the top of the screen. Values: a list of inputs. Default: `["KeyW","ArrowUp","PadLeftStickUp"]`. */
    panUp: string[];
    /** Pans toward the left of the screen. Values: a list of inputs. Default: `["KeyA","ArrowLeft","PadLeftStickLeft"]`. */
    panLeft: string[];
    /** Pans toward the bottom of the screen. Values: a list of inputs. Default: `["KeyS","ArrowDown","PadLeftStickDown"]`. */
    panDown: string[];
    /** Pans toward the right of the screen. Values: a list of inputs. Default: `["KeyD","ArrowRight","PadLeftStickRight"]`. */
    panRight: string[];
    /** Multiplies the speed of held keys while it is held. Values: a list of inputs. Default: `["Shift"]`. */
    faster: string[];
    /** Turns the camera to the left while it is held. Values: a list of inputs. Default: `[]`. */
    turnLeft: string[];
    /** Turns the camera to the right while it is held. Values: a list of inputs. Default: `[]`. */
    turnRight: string[];
    /** Tilts up, toward the horizon, while it is held. Values: a list of inputs. Default: `[]`. */
    tiltUp: string[];
    /** Tilts down, toward the ground, while it is held. Values: a list of inputs. Default: `[]`. */
    tiltDown: string[];
    /** Zooms in while it is held. With stops, each press goes to the next. Values: a list of inputs. Default: `["Equal","NumpadAdd","PadRightTrigger"]`. */
    zoomIn: string[];
    /** Zooms out while it is held. With stops, each press goes to the next. Values: a list of inputs. Default: `["Minus","NumpadSubtract","PadLeftTrigger"]`. */
    zoomOut: string[];
    /** Turns to the left by one step. Values: a list of inputs. Default: `[]`. */
    turnStepLeft: string[];
    /** Turns to the right by one step. Values: a list of inputs. Default: `[]`. */
    turnStepRight: string[];
    /** Turns to the heading of the start, the short way. Values: a list of inputs. Default: `[]`. */
    faceNorth: string[];
    /** Returns to the home pose. Values: a list of inputs. Default: `["Home"]`. */
    home: string[];
    /** Holds the ground under the pointer. Two fingers pinch and twist. Values: a list of inputs. Default: `["MouseMiddle","Touch"]`. */
    drag: string[];
    /** Pans toward the pointer while it is held, faster with the distance from the press. Values: a list of inputs. Default: `[]`. */
    pull: string[];
    /** Turns and tilts with the pointer about `turn.anchor`. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
    orbit: string[];
    /** Turns with the pointer. `MouseMotion` needs no button. Values: a list of inputs. Default: `[]`. */
    dragTurn: string[];
    /** Zooms with the pointer: up zooms in. Values: a list of inputs. Default: `[]`. */
    dragZoom: string[];
  };
};

/** The bounds, with every default filled in. */
export type FullBounds = NonNullable<FullSettings['bounds']>;
