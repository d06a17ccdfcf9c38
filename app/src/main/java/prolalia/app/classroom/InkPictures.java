package prolalia.app.classroom;

import org.springframework.stereotype.Component;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.KeyPicture;
import prolalia.formats.card.CardPictures;

/** The pictures of children and of their keys, for templates. */
@Component("pictures")
public class InkPictures {
    public String of(Animal animal) {
        return CardPictures.of(animal);
    }

    public String of(KeyPicture picture) {
        return CardPictures.of(picture);
    }
}
