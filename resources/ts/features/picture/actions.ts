import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { usePictures, type PlaceOfPicture } from './pictureStore'

const hasPicture = (): boolean => usePictures().has()
const picture = (id: string, name: string, what: string, keys: readonly string[], run: (context: Context) => void, available: (context: Context) => boolean = hasPicture): Action =>
    ({ id: `picture.${id}`, name, what, group: 'Pictures', keys, scopes: onTopics, available, run })
const place = (where: PlaceOfPicture, words: string): Action => picture(`place-${where}`, `Picture ${words}`, `Lets the pictures of the chosen topics stand ${words}.`, [], () => usePictures().set({ place: where }))
const withPicture = ({ map }: Context): boolean => map.current !== null && usePictures().has([map.current])

/** Pictures in topics. */
export const pictureActions: readonly Action[] = [
    { ...picture('drawings', 'Turn to the pictures', 'Opens the box of drawings in the tray, where one is found by a word.', ['Alt+8'], ({ ui }) => ui.turnToTray('Pictures'), () => true), scopes: [...onTopics, 'field'] },
    picture('file', 'Put a picture from a file into it', 'Lets you choose a file: its picture comes into the chosen topic; several become topics below it.', [], () => usePictures().choose(), hasChoice),
    picture('open', 'Open the picture large', 'Shows the picture of the chosen topic in full size, with zoom.', ['Alt+Shift+8'], ({ map }) => void (usePictures().opened = map.current), withPicture),
    picture('larger', 'Larger picture', 'Makes the pictures of the chosen topics larger.', ['Mod+.'], () => usePictures().grow(1.2)),
    picture('smaller', 'Smaller picture', 'Makes the pictures of the chosen topics smaller.', ['Mod+,'], () => usePictures().grow(1 / 1.2)),
    place('above', 'above the text'), place('below', 'below the text'), place('left', 'left of the text'), place('right', 'right of the text'), place('instead', 'instead of the text'),
    picture('pick', 'Pick the picture up', 'Remembers the picture of the chosen topic, to be put into another.', [], ({ map }) => void (usePictures().picked = map.current), withPicture),
    picture('put', 'Put the picked-up picture here', 'Moves the picture that was picked up into the chosen topic; if that has one, the two change places.', [], ({ map }) => {
        const pictures = usePictures()
        if (pictures.picked !== null && map.current !== null) {
            pictures.move(pictures.picked, map.current)
            pictures.picked = null
        }
    }, ({ map }) => {
        const { picked, has } = usePictures()
        return picked !== null && picked !== map.current && has([picked])
    }),
    picture('take', 'Take the picture away', 'Takes the pictures of the chosen topics away; they are as they were before.', [], () => usePictures().take()),
]
