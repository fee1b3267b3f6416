module Changes
  # A file that is looked at before anything comes of it: a palette, or a better copy of
  # a source. It is kept until then; nothing of the project changes, so there is nothing
  # to undo.
  module OpenFile
    module_function

    # @return [Import]
    # @raise [Magpie::Error] when it is no palette
    def palette(project, actor:, name:, bytes:)
      Magpie::Walls.palette(bytes, name:)
      keep(project, actor, name, Blob.keep(bytes, "application/octet-stream"))
    end

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

    def keep(project, actor, name, sha256) = Import.create!(project: actor.project(project.id), name:, sha256:, created_at: Time.now)
  end
end
