/** Part of a page: its left upper corner and its size, 0 to 1 of the page. */
export interface Area {
  x: number
  y: number
  width: number
  height: number
}

const onPage = (part: number) => Math.min(1, Math.max(0, part))

/** The box between two corners, in whichever direction it was drawn; never beyond the page. */
export function between(one: { x: number; y: number }, other: { x: number; y: number }): Area {
  const [left, right] = [onPage(Math.min(one.x, other.x)), onPage(Math.max(one.x, other.x))]
  const [top, bottom] = [onPage(Math.min(one.y, other.y)), onPage(Math.max(one.y, other.y))]
  return { x: left, y: top, width: right - left, height: bottom - top }
}

/**
 * How a picture is laid out so that only a part of it shows, as large as a frame allows: the size of what shows, and of the whole
 * picture behind it.
 */
export function cropped(
  area: Area,
  picture: { width: number; height: number },
  most: { width: number; height: number },
) {
  const scale = Math.min(
    most.width / (area.width * picture.width),
    most.height / (area.height * picture.height),
  )
  const [width, height] = [picture.width * scale, picture.height * scale]
  return {
    width: area.width * width,
    height: area.height * height,
    picture: { width, height, left: -area.x * width, top: -area.y * height },
  }
}
