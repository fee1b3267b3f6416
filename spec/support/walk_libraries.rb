# The steps of a walk that colour libraries take: brought in, in newer versions, edited, noted
# as the match of swatches.
module WalkLibraries
  def library = Library.standing.to_a.sample(random: @random) || raise(Magpie::Error, "There is no library")

  def chart = Magpie::Palette.new(name: "Chart", groups: [Magpie::Palette::Group.new(name: "Chart", swatches: Array.new(@random.rand(1..4)) { |n| Magpie::Palette::Swatch.new(name: "Paint #{n}", code: "P #{n}", colour:) })])

  def bring_in_library = perform(Changes::BringInLibrary, value: chart)

  # Of what is there, some entries of which the older version knew as they are.
  def newer_library
    into = library
    before = chance(2) ? into.value : chart
    choices = %w[0.0 0.1 0.2].to_h { |key| [key, %w[ours theirs both].sample(random: @random)] }.merge(into.entries.ids.sample(1, random: @random).to_h { |id| ["gone.#{id}", "theirs"] })
    perform(Changes::BringInLibrary, value: chart, into:, before:, choices:)
  end

  def edit_entry = library.then { |of| perform(Changes::EditEntry, library: of, entry: (entry_of(of) unless chance(4)), fields: {"name" => "Paint #{@random.rand(9)}"}, colour:) }

  def remove_entry = library.then { |of| perform(Changes::RemoveEntry, library: of, entry: entry_of(of)) }

  def entry_of(library) = library.entries.to_a.sample(random: @random) || raise(Magpie::Error, "It has no entry")

  def keep_entry = entry_of(library).then { |entry| perform(Changes::KeepColour, group:, name: "Kept #{@random.rand(99)}", colour: entry.colour, entry:) }

  # Some noted, and of some of those that are the note taken away.
  def note_matches = swatches.to_h { |each| [each, (any_entry unless chance(4))] }.then { |matches| perform(Changes::NoteMatches, matches:) }

  def change_to_matches = perform(Changes::ChangeToMatches, matches: swatches.to_h { |each| [each, any_entry] })

  def keep_matches = perform(Changes::KeepMatches, name: "Matched", matches: {"Paints" => [any_entry, any_entry]})

  def keep_entries = perform(Changes::KeepEntries, group:, entries: library.entries.to_a)

  # Also of one that a newer version has taken the place of, which is refused.
  def any_entry = (chance(5) ? Entry.order(:id) : library.entries).to_a.sample(random: @random) || raise(Magpie::Error, "There is no entry")

  def press = Condition.standing.to_a.sample(random: @random)

  # The same profile under another description is another file.
  def bring_in_press
    bytes = Magpie::Press.shipped[1].profile.sub("Uncoated paper", "Moor paper #{format("%02d", @random.rand(3))}"[0, 14])
    perform(Changes::BringInCondition, name: "moor.icc", bytes:)
  end

  def set_up_press = press.then { |condition| perform(Changes::EditCondition, condition:, name: "Press #{@random.rand(4)}", intent: Condition::INTENTS.keys.sample(random: @random), black_point: chance(2), greys: chance(2), most_ink: (300.0 if chance(2))) }

  def remove_press = perform(Changes::RemoveCondition, condition: press)

  def remove_library = library.then { |of| perform(Changes::RemoveLibrary, library: of) }
end
