#!/usr/bin/env bash
# Makes the demo's voices with espeak-ng and sox. Run by hand when the words change; the results ship.
set -euo pipefail
cd "$(dirname "$0")/../main/resources/demo"

voice() { # file, words
  espeak-ng -v en-gb -s 138 -p 58 -g 4 -w /tmp/voice.wav "$2"
  sox -n -r 22050 -c 1 /tmp/room.wav synth 30 pinknoise gain -58
  sox /tmp/voice.wav /tmp/padded.wav gain -9 pad 0.5 0.6
  sox -m -v 1 /tmp/padded.wav -v 1 /tmp/room.wav -C 4 "$1.ogg" trim 0 "$(soxi -D /tmp/padded.wav)"
}

voice bean-1a "Look at the picture. Point to the seed that is awake."
voice bean-1b "A bean sleeps in the dry soil until the rain comes."
voice bean-2a "The bean drinks and drinks until its coat splits."
voice bean-2b "Which part comes out of the seed first?"
voice bean-2c "the root"
voice bean-2d "the leaf"

# The class Terns: how its children are called, and what is given to them.
mkdir -p terns
n=0
for name in Mara Ole Yusuf Agnes Bo Finn Pia Tom Leila Noah Zoë Ivan Ruth Kofi; do
  n=$((n + 1))
  voice "terns/name-$n" "$name."
done
voice terns/title-bean "How a bean wakes up."
voice terns/title-bakery "At the bakery counter."
voice terns/direction-bean "Listen to each page. Then draw what the bean needs."

# What Ines says back to spoken answers.
voice weather/remark-1 "I can hear how warm you are. Say it a little louder next time."
voice weather/remark-2 "What a word. Now tell me what else you wear."
