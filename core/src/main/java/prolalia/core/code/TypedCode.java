package prolalia.core.code;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What is typed where there is no camera: two short words and a digit, as "maple otter 7". The words are things that children
 * know; any two of them differ in at least two letters, and none is rude. Digits are 2 to 9: 0 and 1 are letters
 * to some. A code that isn't known leads nowhere: a near one is never guessed.
 *
 * @param words in lower case, with a space between them and before the digit
 */
public record TypedCode(String words) {
    private static final List<String> WORDS = Arrays.asList("""
            acorn almond alpaca amber anchor antler apple apron aspen autumn badge bagpipe baker
            bamboo banjo barn basil beach beetle bell berry biscuit bison blanket blossom bobbin
            bonnet bracken bramble bread breeze brick broom bubble bucket buffalo butter cabbage
            cabin cactus camel candle carpet cashew cedar celery cello chimney cloud clover cocoa
            coconut compass cookie copper coral cottage cotton crane crayon cricket crystal currant
            curtain cushion cymbal cypress daisy dolphin donkey drum eagle elder emerald engine
            falcon feather fern fiddle finch flag flute forest fossil garden garlic gazelle ginger
            giraffe glacier goose guitar hamster harbour helmet icicle igloo insect island ivory
            jaguar jasmine jigsaw juniper kayak kitchen kite koala ladder lagoon lantern laurel
            lemon lettuce lilac linen lizard lobster lotus lupin magnet marble meadow mermaid mirror
            mitten moon mosaic muffin mustard napkin narwhal nectar nest noodle nutmeg ocean octopus
            olive onion opal orbit orchard osprey ostrich oven panda papaya parcel parrot parsley
            parsnip pastry peacock peanut pelican pencil penguin piano picnic pigeon pillow pine
            plum pond poppy potato prairie pumpkin puppet puzzle pyramid quail quartz rabbit radish
            raft rainbow raisin raven rhubarb ribbon rowan ruby saucer scarf seal shell shovel
            signal silver skate slipper snow sofa soup spider spinach sponge spruce straw sugar
            summer sunset swallow swan tadpole teapot temple thimble thunder toast topaz torch
            toucan tower tractor trumpet tugboat tulip tunnel turtle twig valley vanilla village
            vinegar violet volcano waffle walnut wheat whistle window wolf wombat yogurt zebra\
            """.strip().split("\\s+"));

    private static final Set<String> KNOWN = WORDS.stream().collect(Collectors.toUnmodifiableSet());
    private static final int LOWEST_DIGIT = 2;
    private static final int DIGITS = 8;
    private static final Pattern TYPED = Pattern.compile("([a-z]+)[^a-z0-9]+([a-z]+)[^a-z0-9]*([2-9])");

    /** How many there are. */
    public static int all() {
        return WORDS.size() * (WORDS.size() - 1) * DIGITS;
    }

    /** One of all. @param random answers a number from 0 to below the one that it is given */
    public static TypedCode any(IntUnaryOperator random) {
        int first = random.applyAsInt(WORDS.size());
        int second = random.applyAsInt(WORDS.size() - 1);
        int other = second >= first ? second + 1 : second;
        return new TypedCode(
                WORDS.get(first) + " " + WORDS.get(other) + " " + (LOWEST_DIGIT + random.applyAsInt(DIGITS)));
    }

    /** What somebody typed, however she wrote it; empty if it can't be one. */
    public static Optional<TypedCode> typed(String text) {
        Matcher typed = TYPED.matcher(text.strip().toLowerCase(Locale.ROOT));
        return typed.matches() && KNOWN.contains(typed.group(1)) && KNOWN.contains(typed.group(2))
                ? Optional.of(new TypedCode(typed.group(1) + " " + typed.group(2) + " " + typed.group(3)))
                : Optional.empty();
    }

    static List<String> list() {
        return WORDS;
    }
}
