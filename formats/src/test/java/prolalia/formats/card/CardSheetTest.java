package prolalia.formats.card;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;
import prolalia.core.classroom.Animal;
import prolalia.core.classroom.KeyPicture;
import prolalia.core.classroom.PictureKey;
import prolalia.formats.card.CardSheet.Card;

/** Cards print whatever a child is called, and their codes are read from paper. */
class CardSheetTest {
    private static Card card(String name, int number) {
        return new Card(
                name,
                "Terns",
                Animal.values()[number % Animal.values().length],
                Animal.Tint.values()[number % 4],
                new PictureKey(List.of(KeyPicture.BOAT, KeyPicture.DRUM, KeyPicture.SUN)),
                "https://lessons.tern-lane.example/door/abcdefghijklmnopqrstuvwx/card/" + number,
                "moon-boat-bell-42");
    }

    @Test
    void eightCardsStandOnASheetAndEachCodeLeadsToItsChild() throws Exception {
        List<Card> cards = new ArrayList<>();
        for (String name :
                new String[] {"Mara Lind", "ליאור", "Zoë", "😀", "M", "Pia-Maria ".repeat(20), "李", "", "Nine"}) {
            cards.add(card(name, cards.size()));
        }
        try (PDDocument document = Loader.loadPDF(CardSheet.of(cards))) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            var images = document.getPage(0).getResources();
            List<String> read = new ArrayList<>();
            for (COSName name : images.getXObjectNames()) {
                BufferedImage code = ((PDImageXObject) images.getXObject(name)).getImage();
                read.add(new QRCodeReader()
                        .decode(
                                new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(code))),
                                Map.of(DecodeHintType.PURE_BARCODE, true))
                        .getText()
                        .replaceFirst(".*/card/", ""));
            }
            assertThat(read).containsExactlyInAnyOrder("0", "1", "2", "3", "4", "5", "6", "7");
        }
    }

    @Test
    void everyPictureIsDrawn() {
        for (Animal animal : Animal.values()) {
            assertThat(CardPictures.of(animal)).startsWith("M");
        }
        for (KeyPicture picture : KeyPicture.values()) {
            assertThat(CardPictures.of(picture)).startsWith("M");
        }
    }
}
