module Places
  module Deliver
    # What Deliver's routes ask for.
    module Helpers
      def download(name, type, body)
        content_type type
        attachment name
        body
      end

      # Swatches that were selected, of which alone the file is made.
      # @return [Array<Integer>] none where groups go
      def ids = param.on?(:selected) ? choices.selected : []

      # Groups that stay, from what is ticked: a palette's box stands for all of its groups,
      # where it was the one that was clicked.
      # @return [Array<Integer>]
      def left_out
        was, ticks, whole = Going.new(desk), param.list(:ticks).map { |id| Frame::Asked.id(id) }, param.list(:palettes).map { |id| Frame::Asked.id(id) }
        palettes.flat_map do |palette|
          groups = palette.groups.map(&:id)
          going = palette.groups.select { |group| was.goes?(group) }.map(&:id)
          all, clicked = going.size == groups.size && groups.any?, whole.include?(palette.id)
          next (clicked ? [] : groups) if clicked != all && (ticks & groups).sort == going.sort
          groups - ticks
        end
      end

      def library = @library ||= actor.library(param.id(:library))

      # Of whichever edition; the change says where a newer one has come meanwhile.
      def entry = @entry ||= library.all_entries.find(param.id(:entry))

      def library_at(**query) = at("deliver/libraries/#{library.id}", **query)

      # What a form says of an entry. A value that nobody touched stays exactly what it was.
      # @param entry [Entry, nil] as it is
      # @return [Hash] for Changes::EditEntry
      # @raise [Magpie::Error]
      def entry_fields(entry = nil)
        value, inks = param.text(:value).strip, param.text(:inks).strip
        raise Magpie::Error, "An entry needs a value: any notation will do" if entry.nil? && value.empty?
        given = {fields: param.table(:fields), saw: param.table(:saw)}
        given[:colour] = Magpie::Notation.parse(value).with(alpha: 1.0) unless value.empty? || value == param.text(:saw_value)
        given[:inks] = press_values(inks) unless inks == param.text(:saw_inks)
        given
      end

      # @return [Array<Float>, nil] of "0 69 63 3"
      # @raise [Magpie::Error]
      def press_values(text)
        return if text.empty?
        inks = text.split(/[\s,;]+/).map { |ink| Float(ink.delete_suffix("%"), exception: false) }
        return inks if inks.size == 4 && inks.all? { |ink| ink&.between?(0, 100) }
        raise Magpie::Error, "Press values are #{text[0, 40].inspect}: expected four numbers from 0 to 100, for cyan, magenta, yellow and black"
      end

      # What is chosen about a format; boxes that are ticked together are one value.
      # @return [Hash{String => String}]
      def options
        given = param.table(:options)
        several = param.table(:several).keys.to_h { |key| [key, given.keys.filter_map { |name| name.delete_prefix("#{key}.") if name.start_with?("#{key}.") }.join(",")] }
        format = Magpie::Formats.find(param.text(:format)) or raise ActiveRecord::RecordNotFound
        known = [*format.options, *Magpie::Formats::Prepared::OPTIONS].map(&:key) + ["dark"]
        given.merge(several).slice(*known)
      end

      # A swatch of a file as CSS: it has no property that it could follow.
      def came_css(swatch) = swatch.compound ? ::Page::Background.of(swatch.compound.referring([])) : swatch.colour.hex

      # "3 days ago"
      def ago(time)
        seconds = (Time.now - time).to_i
        {86_400 => "day", 3_600 => "hour", 60 => "minute"}.each { |unit, word| return "#{count(seconds / unit, word)} ago" if seconds >= unit }
        "just now"
      end

      # What a file is said to be a newer version of: of one that came in here, or of a library,
      # wherever that came in.
      # @return [Import, nil]
      def older_version
        return actor.library(param.id(:library)).import if param.given?(:library)
        project.imports.brought.find_by(id: param.id(:newer))
      end

      def import = @import ||= project.imports.find(param.id(:import))

      # @param target [Project] that it comes into
      # @return [Palette, Library]
      def bring_in_import(target)
        page = ImportPage.new(import, desk, param.text(:into))
        given = {actor:, value: page.palette, into: page.into, before: page.before, choices: choices_made(page), told: (told if param[:work])}
        if page.target.library?
          brought = Changes::BringInLibrary.perform(target, **given, about: about_library, file: {file: import.name, sha256: import.sha256})
          import.update!(brought_at: Time.now, library: brought)
        else
          brought = Changes::BringInPalette.perform(target, **given)
          import.update!(brought_at: Time.now, palette: brought)
        end
        brought
      end

      # What was written of a library; what is empty is so.
      def about_library = Library::FIELDS.keys.to_h { |field| [field, param.table(:about)[field.to_s]] }.compact

      # To the next of the files that came together; else to what it came into, where that is
      # not so large a palette that a page of it takes long.
      # @return [String]
      def on_from_here(target, brought)
        following = import.together.where(brought_at: nil).first
        return at("deliver/imports/#{following.id}") if following
        return at("deliver/libraries/#{brought.id}") if brought.is_a?(Library)
        "/projects/#{target.id}/#{(brought.swatches.count > ImportPage::LARGE) ? "deliver" : "palettes"}"
      end

      # Tells how far it is, and hears whether it was called off.
      def told
        lambda do |done, total|
          Work.tell(param.text(:work), done, total)
          raise Answer::CalledOff, "It was called off, and nothing came in" if Answer.called_off?(once_key(request.path, param[:once]))
        end
      end

      # One for each, or the one for all where nobody said anything of it.
      # @return [Hash{String => String}]
      def choices_made(page)
        all = param[:all].to_s
        page.meetings.all.filter_map { |meeting| [meeting.key, param.table(:choices).fetch(meeting.key) { all }] if param.table(:choices).key?(meeting.key) || !all.empty? }.to_h
      end

      # @raise [Magpie::Error] with nothing changed
      def read_again
        read_as = Magpie::Formats.find(param.text(:as))&.key
        columns = param.table(:columns).reject { |_, role| role.empty? }
        import.assign_attributes(read_as: read_as || import.read_as, columns: (columns if columns.any?))
        import.update!(Changes::OpenFile.facts(Opened.result(import)))
      end

      # What goes out: a library, where one is asked for, or palettes.
      def going = (param[:what] == "libraries" || param.given?(:library)) ? LibraryGoing.new(desk, library_out) : Going.new(desk, ids)

      # The one that was asked for, or the first.
      # @return [Library, nil]
      def library_out = param.given?(:library) ? actor.library(param.id(:library)) : actor.libraries.first
    end
  end
end
