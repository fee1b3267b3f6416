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

  def remove_library = library.then { |of| perform(Changes::RemoveLibrary, library: of) }
end
