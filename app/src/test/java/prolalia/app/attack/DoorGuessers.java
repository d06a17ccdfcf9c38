package prolalia.app.attack;

import prolalia.app.web.Visitor;

/** One device presses keys and tries words without end; the right keys of a class at another device are never refused. */
final class DoorGuessers {
    private DoorGuessers() {}

    static Row run(Target target, int tries) throws Exception {
        Pupils pupils = Pupils.of(target, "Guessed", 20);
        String door = "/door/" + pupils.door();
        Visitor guesser = new Visitor(target.base);
        guesser.get(door);
        for (int i = 0; i < tries; i++) {
            guesser.form(door + "/" + pupils.ids().get(i % 20), "key", "none at all");
            guesser.get("/door?word=moon-boat-bell-" + (10 + i % 90));
        }
        Visitor tablet = new Visitor(target.base);
        tablet.get(door);
        int in = 0;
        for (String id : pupils.ids()) {
            tablet.form(door + "/" + id, "key", Visitor.key(pupils.teacher(), pupils.schoolClass(), id));
            in += tablet.get("/my").uri().getPath().equals("/my") ? 1 : 0;
        }
        pupils.teacher().form("/classes/let-all-in");
        pupils.teacher().form("/classes/" + pupils.schoolClass() + "/remove");
        return Row.of(
                "door",
                in == 20,
                tries + " wrong keys and as many wrong words from one device",
                "%d of 20 right keys at another one came in",
                in);
    }
}
