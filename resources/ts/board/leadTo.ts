import { useMap, type Region } from '@/stores/map'
import { useCamera } from './cameraStore'

/** Chooses a topic to which a list led and brings it into view, large enough to read it, unfolding what hides it. */
export function leadTo(topic: string, where: Region = useMap().region): void {
    const map = useMap()
    map.uncover(topic, where)
    map.choose(topic)
    map.afterAnswer(() => useCamera().show(topic))
}
