module Changes
  # A file that is looked at before anything comes of it: a palette, or a better copy of
  # a source. It is kept until then; nothing of the project changes, so there is nothing
  # to undo.
  module OpenFile
    MOST = 200 # files at once

    module_function

    # Palettes, one in each file; what is an archive stands for what is in it.
    # @param files [Array<[String, String]>] name and bytes
    # @param before [Import, nil] the older version that a single file is compared with
    # @return [[Array<Import>, Array<String>]] and what could not be read
    # @raise [Magpie::Error] where there are too many
    def palettes(project, actor:, files:, before: nil)
      refused = []
      files = files.flat_map { |name, bytes| trying(refused) { Magpie::Formats::Archive.is?(bytes) ? Magpie::Walls.archive(bytes, name:) : [[name, bytes]] } || [] }
      raise Magpie::Error, "#{files.size} files at once: expected #{MOST} at most" if files.size > MOST
      batch = SecureRandom.hex(6) if files.size > 1
      opened = files.filter_map { |name, bytes| trying(refused) { palette(project, actor:, name:, bytes:, batch:, before:) } }
      [opened, refused]
    end

    # @return [Import]
    # @raise [Magpie::Error] when it is no palette
    def palette(project, actor:, name:, bytes:, batch: nil, before: nil)
      result = Magpie::Walls.palette(bytes, name:)
      keep(project, actor, name, Blob.keep(bytes, "application/octet-stream"), batch:, before:, **facts(result)).tap { |import| Opened.keep(import, result) }
    end

    def facts(result) = {format: result.format, size: result.palette.swatches.size, notes: result.notes.size}

    # @param source [Source] that it may take the place of
    # @return [Import]
    # @raise [Magpie::Error] when it is no picture, or the same file
    def picture(project, actor:, source:, name:, bytes:)
      sha256 = Blob.sha256(bytes)
      PictureCache.bring(sha256, bytes, name)
      raise Magpie::Error, "#{name} is the very same file as #{source.name} has" if sha256 == source.sha256
      Blob.keep(bytes, Magpie::Picture::File.format(bytes).media_type, sha256)
      keep(project, actor, name, sha256)
    end

    def keep(project, actor, name, sha256, **facts) = Import.create!(project: actor.project(project.id), name:, sha256:, created_at: Time.now, **facts)

    # @param refused [Array<String>] that what is refused is added to
    def trying(refused)
      yield
    rescue Magpie::Error => error
      refused << error.message
      nil
    end
  end
end
