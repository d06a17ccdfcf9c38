package prolalia.app.classroom;

import prolalia.core.classroom.Animal;
import prolalia.core.classroom.Guesses;

/**
 * A student in a class.
 *
 * @param nameLineId the line that says her name there
 * @param nameSound hash of the sound of it; null when it is silent
 * @param card secret of the code on her card
 * @param sealedKey her picture key, sealed ({@code KeySeal})
 * @param rosterId null when she came from no roster
 */
public record ClassStudent(
        String id,
        String name,
        Animal animal,
        Animal.Tint tint,
        Guesses guesses,
        String nameLineId,
        String nameSound,
        String card,
        String sealedKey,
        String rosterId) {
    public boolean isNameSaid() {
        return nameSound != null;
    }
}
