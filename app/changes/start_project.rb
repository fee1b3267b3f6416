module Changes
  # Starts a project with a palette of its own: an empty group, and the one that
  # comes with every job.
  class StartProject
    EVERY_JOB = [["Black", 0x000000], ["White", 0xFFFFFF], ["Cut line", 0xE6007E], ["Screen grey", 0x808080]].freeze

    # @raise [Magpie::Error]
    def self.perform(actor:, name:, client: "", palette: true)
      name, client = [name, client].map { |text| Magpie::Text.name(text, longest: 80) }
      raise Magpie::Error, "A project needs a name" if name.empty?
      Record.transaction do
        project = Project.create!(name:, client:)
        begin_palette(project) if palette
        project
      end
    end

    def self.begin_palette(project)
      palette = Palette.create!(name: "#{project.name} palette")
      Use.create!(project:, palette:, position: 1)
      Group.create!(palette:, name: "First colours", position: 1)
      starters(palette)
    end

    # Copies of the starter palette's groups, after those that are there: a project in
    # print must not change because somebody edits what later projects begin with.
    def self.starters(palette)
      Palette.starter || begin_starter
      copies = {}
      Palette.starter.groups.includes(:swatches).each do |model|
        group = Group.create!(palette:, name: model.name, note: model.note, position: (palette.groups.maximum(:position) || 0) + 1)
        model.swatches.each { |swatch| copies[swatch.id] = Swatch.create!(group_id: group.id, position: swatch.position, **Copying.row(swatch)).id }
      end
      ties = Copying.ties(copies)
      Follow.insert_all!(ties) if ties.any?
    end

    def self.begin_starter
      palette = Palette.create!(name: "Starter groups", note: "Its groups come with each new project", starter: true)
      group = Group.create!(palette:, name: "Every job", note: "Comes with each new project", position: 1)
      EVERY_JOB.each_with_index do |(name, rgb), index|
        Swatch.create!(group:, name:, colour: Magpie::Color.from_rgb24(rgb), shared: index < 3, position: index + 1)
      end
    end
  end
end
